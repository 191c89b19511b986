import { loadThread } from '../threads/loadThread.mjs';

const { read } = await loadThread('readerThread', import.meta.url);
export default read;
