// What reads dates in lines of prose stands apart: the parser takes longer to load than all other formats together.
export { readClosureList } from './readClosureList.js';
