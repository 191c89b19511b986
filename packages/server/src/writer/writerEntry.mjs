import { loadThread } from '../threads/loadThread.mjs';

await loadThread('writerThread', import.meta.url);
