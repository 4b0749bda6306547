import { mergeDocuments, same, settleConflicts, valueAt, type Json } from '@alfombra/core';
import type { PendingWrite } from './pendingWrite';

/** What a write says and what it says it of. */
export type Content = Pick<
  PendingWrite,
  'base' | 'baseVersion' | 'body' | 'state' | 'conflict' | 'failure'
>;

/** A state of a document that the server has. */
export interface Held {
  version: number;
  body: Json;
}

/** What a person saved on a screen. */
export interface Edit {
  body: Json;
  /** What the screen showed when the edit began; `null` for a new document. */
  saw: Json | null;
  /** What the server holds, as this device last read it; `null` for a new document. */
  base: Held | null;
}

const WAITING = { state: 'waiting', conflict: null, failure: null } as const;

/** All of one side at once; a merge of one person's own edits asks nobody. */
const mineAt = (document: Json, conflicts: Parameters<typeof settleConflicts>[0]['conflicts']) =>
  settleConflicts(
    { merged: document, conflicts },
    conflicts.map(() => 'mine'),
  );
const merged = (base: Json | null, mine: Json, theirs: Json): Json => {
  const merge = mergeDocuments(base, mine, theirs);
  return mineAt(merge.merged, merge.conflicts);
};

/** Carries a change over to what the server has; where both changed the same, it is held. */
export function onTopOf(
  { base, baseVersion, body }: Pick<Content, 'base' | 'baseVersion' | 'body'>,
  theirs: Held,
): Content {
  const merge = mergeDocuments(base, body, theirs.body);
  return merge.conflicts.length === 0
    ? { base: theirs.body, baseVersion: theirs.version, body: merge.merged, ...WAITING }
    : {
        base,
        baseVersion,
        body,
        state: 'conflict',
        conflict: { theirs: theirs.body, version: theirs.version, ...merge },
        failure: null,
      };
}

/** An edit of a document of which nothing waits. */
export const alone = ({ saw, body, base }: Edit): Content =>
  base
    ? onTopOf({ base: saw ?? base.body, baseVersion: base.version, body }, base)
    : { base: null, baseVersion: 0, body, ...WAITING };

/**
 * An edit behind the write of the same document that may be on its way: it builds on what that one
 * leaves. A value that came in between from the server, and that the screen did not show, is asked
 * about; one that this device's own person put there gives way to their later word.
 */
export function behind(last: PendingWrite, { saw, body }: Edit): Content {
  const merge = mergeDocuments(saw, body, last.body);
  const unseen = merge.conflicts.filter(({ path }) =>
    same(valueAt(last.base, path), valueAt(last.body, path)),
  );
  return {
    base: mineAt(
      last.body,
      unseen.map((conflict) => ({ ...conflict, mine: conflict.base })),
    ),
    baseVersion: last.baseVersion + 1,
    body: mineAt(merge.merged, merge.conflicts),
    ...WAITING,
  };
}

/** Two writes of one document as one, where the server has not taken the first. */
export function joined(first: PendingWrite, second: Content): Content {
  const { base, baseVersion, conflict } = first;
  if (base === null) return { base, baseVersion, body: second.body, ...WAITING };
  return onTopOf(
    // What the second was based on beyond the first's own content, it keeps.
    { base: merged(first.body, second.base ?? base, base), baseVersion, body: second.body },
    conflict
      ? { version: conflict.version, body: conflict.theirs }
      : { version: baseVersion, body: base },
  );
}

/** The second write without the first, which was given up. */
export function without(first: PendingWrite, second: PendingWrite): Content {
  const { base, baseVersion } = first;
  return base === null
    ? { base, baseVersion, body: second.body, ...WAITING }
    : { base, baseVersion, body: merged(first.body, second.body, base), ...WAITING };
}

/** A held write with a choice for each place in question. */
export const settled = (
  { theirs, version, merged: both, conflicts }: NonNullable<PendingWrite['conflict']>,
  choices: readonly ('mine' | 'theirs')[],
): Content => ({
  base: theirs,
  baseVersion: version,
  body: settleConflicts({ merged: both, conflicts }, choices),
  ...WAITING,
});

/** Nothing of it is left to be said. */
export const saysNothing = ({ base, body, state }: Content): boolean =>
  state === 'waiting' && base !== null && same(base, body);
