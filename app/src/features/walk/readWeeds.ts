import type { WeedFinding } from '@alfombra/core';
import { typedNumber } from '@/ui';
import type { WeedDraft } from '@/state/walkStore';

export interface WeedsRead {
  /** Findings, when every cover is good; `null` else. */
  findings: WeedFinding[] | null;
  /** Per row: whether its cover is bad. */
  bad: boolean[];
  /** Ground under what grows now, per cent. */
  totalPct: number;
}

/** Turns typed covers, in per cent, into findings. */
export function readWeeds(drafts: readonly WeedDraft[]): WeedsRead {
  const values = drafts.map(({ cover }) => typedNumber(cover));
  const bad = values.map((value) => value === null || value < 0 || value > 100);
  const totalPct = values.reduce<number>(
    (sum, value, index) => sum + (drafts[index]?.growing ? (value ?? 0) : 0),
    0,
  );
  return {
    bad,
    totalPct,
    findings: bad.some(Boolean)
      ? null
      : drafts.map(({ cover: _cover, ...draft }, index) => ({
          ...draft,
          cover: (values[index] as number) / 100,
        })),
  };
}
