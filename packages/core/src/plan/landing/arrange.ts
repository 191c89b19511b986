/** Something with its place among its siblings; `position` is a sort key and may be fractional. */
export interface Standing {
  readonly id: string;
  readonly position: number;
  /** A person made it here, and nothing of the source answers to it. */
  readonly byHand?: boolean;
}

/**
 * Gives newcomers positions among what stands there already, whose positions do not change: in their own order, behind
 * the sibling of theirs that is there already and what a person made behind that, before what follows; without such a sibling
 * at the end.
 *
 * @param standing  the siblings in the shell, in order
 * @param incoming  ids in the order of the source; those that are also in `standing` are anchors
 * @returns         positions of the newcomers by id
 */
export function arrange(standing: readonly Standing[], incoming: readonly string[]): ReadonlyMap<string, number> {
  const placeOf = new Map(standing.map(({ id }, index) => [id, index]));
  const positions = new Map<string, number>();
  const firstAnchor = incoming.map((id) => placeOf.get(id)).find((place) => place !== undefined);
  let behind = firstAnchor === undefined ? standing.length - 1 : firstAnchor - 1;
  let run: string[] = [];
  const settle = (): void => {
    if (run.length > 0) while (standing[behind + 1]?.byHand === true) behind++;
    const low = standing[behind]?.position;
    const high = standing[behind + 1]?.position;
    run.forEach((id, index) => {
      const share = (index + 1) / (run.length + 1);
      if (low !== undefined && high !== undefined) positions.set(id, low + (high - low) * share);
      else if (low !== undefined) positions.set(id, low + 1 + index);
      else if (high !== undefined) positions.set(id, high - run.length + index);
      else positions.set(id, index + 1);
    });
    run = [];
  };
  for (const id of incoming) {
    const place = placeOf.get(id);
    if (place === undefined) run.push(id);
    else if (place > behind) {
      settle();
      behind = place;
    }
  }
  settle();
  return positions;
}
