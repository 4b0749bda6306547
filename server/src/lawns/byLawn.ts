import type { Stored } from '../documents/store';

/** Documents by the lawn that they lie under. */
export function byLawn<Body extends { lawnId: string }>(
  rows: readonly Stored<Body>[],
): Map<string, Stored<Body>[]> {
  const map = new Map<string, Stored<Body>[]>();
  for (const row of rows) {
    const list = map.get(row.body.lawnId);
    if (list) list.push(row);
    else map.set(row.body.lawnId, [row]);
  }
  return map;
}
