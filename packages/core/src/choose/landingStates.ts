import { ownState, type Snapshot, type SnapshotItem } from '../course/snapshot.js';
import { isOpened } from '../names/kinds.js';
import type { Choices } from '../schemas/choices.js';
import type { ItemState } from '../schemas/course.js';

/** The state in which things land: of the item, by its mark, of its kind, of the plan. It is for what learners open alone. */
export function landingStates({ marks }: Snapshot, { landing, landings }: Choices): (item: SnapshotItem) => ItemState {
  const hidden = new Set(marks.filter(({ mark }) => mark === 'hidden').map(({ item }) => item));
  return (item) => {
    if (!isOpened(item.kind)) return ownState(item);
    const chosen =
      landings?.items?.[item.id] ?? (hidden.has(item.id) ? 'hidden' : (landings?.kinds?.[item.kind] ?? landing));
    return chosen === 'draft' || chosen === 'hidden' ? chosen : ownState(item);
  };
}
