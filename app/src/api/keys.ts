import type { LawnPart } from '@/state/sync/pendingWrite';

export const MINUTE = 60_000;

/** Keys of everything that is asked for; under `lawn` lies all that belongs to one. */
export const keys = {
  session: ['session'] as const,
  company: ['company'] as const,
  customers: ['customers'] as const,
  lawns: ['lawns'] as const,
  lawn: (id: string) => ['lawn', id] as const,
  ofLawn: (id: string, what: LawnPart) => ['lawn', id, what] as const,
  revisions: (id: string, state: { version: number; today: string }) =>
    ['lawn', id, 'revisions', state] as const,
  weather: (stationId: string) => ['weather', stationId] as const,
};
export type { LawnPart } from '@/state/sync/pendingWrite';
