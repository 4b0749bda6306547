/**
 * Every rule of the judge, and how hard it may speak: over a limit (`exceeds`), or worth a second look
 * (`caution`). `limits.test.ts` holds a case one step inside and one outside of each.
 */
export const CHECK_RULES = {
  'rate-over-label': ['exceeds'],
  'rate-over-grass-cap': ['exceeds'],
  'year-amount': ['exceeds', 'caution'],
  'year-count': ['exceeds', 'caution'],
  'season-amount': ['exceeds'],
  interval: ['exceeds', 'caution'],
  'group-year': ['exceeds'],
  'active-per-application': ['exceeds'],
  'active-year': ['exceeds'],
  'active-count': ['exceeds'],
  'active-interval': ['exceeds'],
  'turf-not-tolerant': ['exceeds'],
  'turf-off-label': ['exceeds'],
  'turf-caution': ['caution'],
  'turf-kill': ['caution'],
  'young-turf': ['caution'],
  'too-hot': ['exceeds'],
  'too-cold': ['caution'],
  'no-herbicide-heat': ['exceeds'],
  wind: ['exceeds', 'caution'],
  drought: ['caution'],
  vapour: ['exceeds'],
  'root-zone': ['exceeds', 'caution'],
  well: ['exceeds', 'caution'],
  'open-water': ['exceeds', 'caution'],
  reentry: ['caution'],
  'not-for-home-lawns': ['exceeds'],
  'label-unconfirmed': ['caution'],
  'licence-needed': ['exceeds'],
  'seed-too-soon': ['exceeds'],
  'seed-not-tolerant': ['exceeds', 'caution'],
  'seedlings-too-young': ['exceeds'],
  'feed-without-weed': ['caution'],
  'nitrogen-per-application': ['exceeds'],
  'nitrogen-year': ['exceeds'],
  'nitrogen-gap': ['exceeds', 'caution'],
  'nitrogen-heat': ['exceeds'],
  'nitrogen-dormant': ['exceeds', 'caution'],
  'nitrogen-late': ['exceeds'],
  'seed-soil': ['caution'],
  'seed-heavy': ['caution'],
  'area-over-zone': ['caution'],
  'read-the-label': ['caution'],
  'amount-once': ['exceeds'],
  'amendment-year': ['exceeds'],
  'amendment-interval': ['exceeds'],
  antagonism: ['caution'],
  'same-mode': ['caution'],
  rotation: ['exceeds', 'caution'],
  bloom: ['exceeds'],
  rain: ['exceeds', 'caution'],
  'wet-leaf': ['caution'],
  frozen: ['exceeds'],
  saturated: ['exceeds'],
  pace: ['exceeds', 'caution'],
  blackout: ['exceeds'],
  phosphorus: ['exceeds'],
  'ordinance-nitrogen': ['exceeds'],
} as const satisfies Record<string, readonly Severity[]>;

export type Severity = 'exceeds' | 'caution';
export type CheckRule = keyof typeof CHECK_RULES;

/** What the checker says of an application. */
export interface CheckFinding {
  /** Name of the rule; the app words it. */
  rule: CheckRule;
  severity: Severity;
  /** Material it is about, by slug; `null` for the walk as a whole. */
  material: string | null;
  inputs: Record<string, string | number>;
}

/** Says one thing of an application; a rule speaks only as hard as its table has it. */
export type Say = <R extends CheckRule>(
  rule: R,
  severity: (typeof CHECK_RULES)[R][number],
  inputs?: CheckFinding['inputs'],
  material?: string | null,
) => void;

/** What `judge` says about one material, or about the walk. */
export function findingsBy(material: string | null, judge: (say: Say) => void): CheckFinding[] {
  const findings: CheckFinding[] = [];
  judge((rule, severity, inputs = {}, about = material) =>
    findings.push({ rule, severity, material: about, inputs }),
  );
  return findings;
}
