import { loadThread } from '../threads/loadThread.mjs';

const { answer } = await loadThread('queryThread', import.meta.url);
export default answer;
