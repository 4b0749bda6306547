import type { Decided, LookAnswer } from './seasonInput';

/** What a decision is about: a later one about the same takes its place. */
export const decisionKey = (decided: Decided): string =>
  `${decided.kind}:${decided.kind === 'pin' ? decided.work : decided.needId}`;

/** Which return an answer is about: a later word of that day takes its place. */
export const lookKey = ({ needId, date }: Pick<LookAnswer, 'needId' | 'date'>): string =>
  `${needId}/${date}`;
