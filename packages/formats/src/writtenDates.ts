// What reads dates as people write them stands apart: the parser takes longer to load than all other formats together.
export { readClosureList } from './readClosureList.js';
export { readDateCells, type DateReading } from './readDateCells.js';
export { readDateSheet, type DateSheet } from './readDateSheet.js';
