import type { SnapshotItem } from '../course/snapshot.js';

/** Something of the shell that gives way to what comes: stock that no person ever edited, or something empty. */
export const isStockOrEmpty = ({ editedAt, bodyHash, details }: SnapshotItem): boolean =>
  editedAt === undefined || (bodyHash === undefined && Object.keys(details ?? {}).length === 0);
