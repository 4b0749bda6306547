import type { PracticeResult } from '@/state/practiceStore';

export interface CauseRecord {
  cause: string;
  tries: number;
  right: number;
}
export interface PairRecord {
  cause: string;
  takenFor: string;
  times: number;
}

/** What a learner knows and what they mix up, the weakest first. */
export function learningRecord(results: readonly PracticeResult[]): {
  causes: CauseRecord[];
  pairs: PairRecord[];
} {
  const causes = new Map<string, CauseRecord>();
  const pairs = new Map<string, PairRecord>();
  for (const { cause, decided, cost } of results) {
    const own = causes.get(cause) ?? { cause, tries: 0, right: 0 };
    causes.set(cause, {
      cause,
      tries: own.tries + 1,
      right: own.right + (cost === 'right' ? 1 : 0),
    });
    if (decided === null || decided === cause) continue;
    const key = `${cause}~${decided}`;
    pairs.set(key, { cause, takenFor: decided, times: (pairs.get(key)?.times ?? 0) + 1 });
  }
  return {
    causes: [...causes.values()].sort((a, b) => a.right / a.tries - b.right / b.tries),
    pairs: [...pairs.values()].sort((a, b) => b.times - a.times),
  };
}
