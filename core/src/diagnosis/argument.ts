import { cause as causeOf, diagnosisModel, sign } from '../knowledge';
import { answeredSigns } from './answeredSigns';
import type { DiagnosisInput } from './diagnosisInput';
import { evidenceShares } from './evidence';
import { logRatio } from './likelihood';
import { monthFactorOf, prior, soilFactorOf, standHostFactor } from './prior';
import { causes } from '../knowledge';

/** What one answer says about one cause. */
export interface SignArgument {
  sign: string;
  answer: boolean;
  /** P(sign | cause) as listed, and the base rate it is held against. */
  p: number;
  base: number;
  /** Odds multiplier after damping and shrinkage; above 1 speaks for the cause. */
  oddsFactor: number;
}

export interface Argument {
  cause: string;
  prior: number;
  factors: { baseWeight: number; host: number; month: number; soil: number };
  /** Strongest first. */
  for: SignArgument[];
  against: SignArgument[];
  /** Answers about which the cause has no opinion. */
  silent: string[];
}

/**
 * Takes a cause's probability apart: where its prior comes from, and by how much each answer moved
 * its odds.
 * @throws RangeError when the cause is unknown
 */
export function argument(input: DiagnosisInput, slug: string): Argument {
  const entry = causeOf(slug);
  if (!entry) throw new RangeError(`unknown cause "${slug}"`);
  const { known } = answeredSigns(input);
  const groups = new Map<string, { sign: string; answer: boolean; p: number; base: number }[]>();
  const silent: string[] = [];
  for (const [signSlug, answer] of known) {
    const asked = sign(signSlug);
    if (!asked) continue;
    const p = entry.signs[signSlug];
    if (p === undefined) {
      silent.push(signSlug);
      continue;
    }
    const list = groups.get(asked.group) ?? [];
    list.push({ sign: signSlug, answer, p, base: asked.base });
    groups.set(asked.group, list);
  }
  const spoken: SignArgument[] = [...groups.values()].flatMap((members) => {
    const shares = evidenceShares(members.map((m) => logRatio(m.p, m.base, m.answer)));
    return members.map((member, index) => ({
      ...member,
      oddsFactor: Math.exp(diagnosisModel.tau * (shares[index] as number)),
    }));
  });
  return {
    cause: slug,
    prior: prior(input.grass, input.zone, input.month, input.soilTempF, input.protection)[
      causes.indexOf(entry)
    ] as number,
    factors: {
      baseWeight: entry.baseWeight,
      host: standHostFactor(entry, input.grass),
      month: monthFactorOf(entry.months, input.zone, input.month),
      soil: soilFactorOf(entry.soilF, input.soilTempF),
    },
    for: spoken
      .filter(({ oddsFactor }) => oddsFactor > 1)
      .sort((a, b) => b.oddsFactor - a.oddsFactor),
    against: spoken
      .filter(({ oddsFactor }) => oddsFactor < 1)
      .sort((a, b) => a.oddsFactor - b.oddsFactor),
    silent,
  };
}
