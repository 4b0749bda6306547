/** A value of a JSON document. */
export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** A place that both sides changed, each to something else. */
export interface MergeConflict {
  /** Keys and, for lists of things with an id, ids. */
  path: string[];
  base: Json | undefined;
  mine: Json | undefined;
  theirs: Json | undefined;
}

export interface Merge {
  /** Both sides' changes; at a conflict, theirs stands until somebody chooses. */
  merged: Json;
  conflicts: MergeConflict[];
}

/**
 * Three-way merge of two changed copies of one document. Objects merge key by key; lists of things
 * with an `id` merge thing by thing, kept in their order with new ones at the end; any other list is
 * one value. A thing changed on one side and removed on the other is a conflict.
 */
export function mergeDocuments(base: Json, mine: Json, theirs: Json): Merge {
  const conflicts: MergeConflict[] = [];
  const merged = mergeValue(base, mine, theirs, [], conflicts) as Json;
  return { merged, conflicts };
}

/** Puts the chosen side's value at each conflict of a merge. */
export function settleConflicts(
  { merged, conflicts }: Merge,
  choices: readonly ('mine' | 'theirs')[],
): Json {
  return conflicts.reduce(
    (document, conflict, index) =>
      choices[index] === 'mine' ? put(document, conflict.path, conflict.mine) : document,
    merged,
  );
}

/** The value at a conflict's place; `undefined` where there is none. */
export function valueAt(document: Json | null, path: readonly string[]): Json | undefined {
  return path.reduce<Json | undefined>(
    (place, key) =>
      isListOfThings(place)
        ? place.find(({ id }) => id === key)
        : isObject(place)
          ? place[key]
          : undefined,
    document ?? undefined,
  );
}

type Maybe = Json | undefined;

function mergeValue(
  base: Maybe,
  mine: Maybe,
  theirs: Maybe,
  path: string[],
  conflicts: MergeConflict[],
): Maybe {
  if (same(mine, theirs) || same(base, mine)) return theirs;
  if (same(base, theirs)) return mine;
  if (isObject(mine) && isObject(theirs)) {
    const from = isObject(base) ? base : {};
    const result: { [key: string]: Json } = {};
    for (const key of new Set([...Object.keys(theirs), ...Object.keys(mine)])) {
      const value = mergeValue(from[key], mine[key], theirs[key], [...path, key], conflicts);
      if (value !== undefined) result[key] = value;
    }
    return result;
  }
  if (isListOfThings(mine) && isListOfThings(theirs)) {
    const before = isListOfThings(base) ? base : [];
    const ids = [...new Set([...theirs, ...mine].map(({ id }) => id))];
    return ids.flatMap((id) => {
      const value = mergeValue(
        before.find((thing) => thing.id === id),
        mine.find((thing) => thing.id === id),
        theirs.find((thing) => thing.id === id),
        [...path, id],
        conflicts,
      );
      return value === undefined ? [] : [value];
    });
  }
  conflicts.push({ path, base, mine, theirs });
  return theirs;
}

interface Thing {
  [key: string]: Json;
  id: string;
}

const isObject = (value: Maybe): value is { [key: string]: Json } =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const isListOfThings = (value: Maybe): value is Thing[] =>
  Array.isArray(value) && value.every((entry) => isObject(entry) && typeof entry.id === 'string');

/** Deep equality of JSON values; the order of keys does not matter. */
export function same(a: Maybe, b: Maybe): boolean {
  if (a === b) return true;
  if (Array.isArray(a) && Array.isArray(b)) {
    return a.length === b.length && a.every((value, index) => same(value, b[index]));
  }
  if (isObject(a) && isObject(b)) {
    const keys = Object.keys(a);
    return keys.length === Object.keys(b).length && keys.every((key) => same(a[key], b[key]));
  }
  return false;
}

function put(document: Maybe, path: readonly string[], value: Maybe): Json {
  const [key, ...rest] = path;
  if (key === undefined) return value as Json;
  if (Array.isArray(document)) {
    const things = document as Thing[];
    if (rest.length === 0 && value === undefined) return things.filter(({ id }) => id !== key);
    return things.some(({ id }) => id === key)
      ? things.map((thing) => (thing.id === key ? put(thing, rest, value) : thing))
      : [...things, put({ id: key }, rest, value)];
  }
  const next = { ...(document as { [key: string]: Json }) };
  if (rest.length === 0 && value === undefined) delete next[key];
  else next[key] = put(next[key], rest, value);
  return next;
}
