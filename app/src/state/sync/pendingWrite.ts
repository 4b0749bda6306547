import type { Json, MergeConflict } from '@alfombra/core';
import type { FailureCode } from '@alfombra/core';

/** Kinds of documents that a phone writes. */
export type DocumentKind =
  'lawn' | 'customer' | 'visit' | 'record' | 'reading' | 'sample' | 'photo' | 'report';

/** Lists of documents that lie under a lawn. */
export type LawnPart = 'visits' | 'records' | 'readings' | 'samples' | 'photos' | 'reports';

/** The list that a kind of document is in. */
export const PART = {
  visit: 'visits',
  record: 'records',
  reading: 'readings',
  sample: 'samples',
  photo: 'photos',
  report: 'reports',
} as const satisfies Partial<Record<DocumentKind, LawnPart>>;

/** The list under its lawn that a kind of document is in; `undefined` of what lies under none. */
export const partOf = (kind: DocumentKind): LawnPart | undefined =>
  (PART as Partial<Record<DocumentKind, LawnPart>>)[kind];

/** Fields that the server adds to what was written. */
export const ADDED: Partial<Record<DocumentKind, readonly string[]>> = {
  record: ['findings', 'enteredBy'],
  photo: ['received'],
  report: ['path'],
};

/** A write that the server has not acknowledged yet. */
export interface PendingWrite {
  /** Order of writing on this device. */
  seq: number;
  /** The write's own id: the server takes it once, however often it is sent. */
  writeId: string;
  /** Who wrote it; only their session sends it. */
  owner: string;
  kind: DocumentKind;
  id: string;
  lawnId: string | null;
  /** The document as the server last had it; `null` for a new one. What a merge starts from. */
  base: Json | null;
  baseVersion: number;
  body: Json;
  /** `waiting` for the network; `conflict`: somebody changed the same; `refused` by the server. */
  state: 'waiting' | 'conflict' | 'refused';
  /** It was sent at least once and may have arrived. */
  tried: boolean;
  /** How often the server failed at it. */
  failures: number;
  conflict: { theirs: Json; version: number; merged: Json; conflicts: MergeConflict[] } | null;
  failure: { code: FailureCode; message: string; path: (string | number)[] } | null;
}

/** What the server holds of a document. */
export interface ServerDocument {
  id: string;
  version: number;
  body: Json;
}

/** After so many failures of the server a write no longer goes before others. */
export const MOST_FAILURES = 3;

/** The server failed at it again and again: it is sent last, and may be given up. */
export const isSetAside = ({ state, failures }: PendingWrite): boolean =>
  state === 'waiting' && failures >= MOST_FAILURES;
