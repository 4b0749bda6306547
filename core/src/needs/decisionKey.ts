import type { Decided } from './seasonInput';

/** What a decision is about: a later one about the same takes its place. */
export const decisionKey = (decided: Decided): string =>
  `${decided.kind}:${decided.kind === 'pin' ? decided.work : decided.needId}`;
