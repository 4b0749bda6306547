import { zoneArea } from '../lawn';
import type { Application } from '../rates';
import { addDays, daysBetween, localDate } from '../units';
import { planZone } from './planZone';
import type { SeasonInput } from '../needs/seasonInput';
import type { Reason } from '../needs/reason';
import type { LookStep, Season, Step } from '../courses/step';

/** Days either side of its window in which a record counts as having done a step. */
const DONE_SLACK_DAYS = 14;

/** The kinds of material that a record must hold to have done a step. */
const materialOf = {
  prevent: 'herbicide',
  control: 'herbicide',
  protect: 'treatment',
  feed: 'fertilizer',
  seed: 'seed',
} as const;

function isDone(step: Step, records: readonly Application[]): boolean {
  if (step.kind === 'look-again') return false;
  const kind = materialOf[step.kind];
  return records.some((record) => {
    if (record.zoneId !== step.zoneId) return false;
    const date = localDate(record.date);
    if (
      date < addDays(step.window.opens, -DONE_SLACK_DAYS) ||
      date > addDays(step.window.closes, DONE_SLACK_DAYS)
    ) {
      return false;
    }
    if (step.kind === 'prevent' || step.kind === 'control') {
      return step.products.every(({ herbicide }) =>
        record.materials.some(({ slug }) => slug === herbicide),
      );
    }
    if (step.kind === 'protect') {
      return record.materials.some(({ slug }) => slug === step.treatment);
    }
    return record.materials.some((material) => material.kind === kind);
  });
}

function lookAgain(input: SeasonInput): LookStep[] {
  const looks = input.findings.flatMap(({ zoneId, damages }) =>
    damages.map((damage) => ({ zoneId, ...damage })),
  );
  return looks.flatMap(({ zoneId, patchId, number, lookAgainOn, cause }) => {
    const zone = input.zones.find(({ id }) => id === zoneId);
    if (!lookAgainOn || !zone) return [];
    const window = {
      opens: lookAgainOn,
      best: lookAgainOn,
      closes: addDays(lookAgainOn, 7),
      basis: { kind: 'calendar' as const },
    };
    return [
      {
        id: `${zoneId}:look-again:${patchId ?? 'zone'}:${lookAgainOn}`,
        kind: 'look-again' as const,
        zoneId,
        window,
        state: lookAgainOn <= input.today ? ('open' as const) : ('upcoming' as const),
        areaFt2: zoneArea(zone),
        gates: [],
        because: [
          { rule: cause ? 'look-again' : 'look-again-unsure', inputs: { cause } } satisfies Reason,
        ],
        patchId,
        number: number ?? null,
      },
    ];
  });
}

/**
 * Works out the year of a lawn: for every zone the steps with window, product, rate, amount, gates
 * and reasons; what was excluded; and the clashes that the technician must settle.
 * @returns steps in order of their best day
 * @throws RangeError when a zone has no soil season
 */
export function planSeason(input: SeasonInput): Season {
  const zones = input.zones.map((zone) => planZone(input, zone));
  const steps: Step[] = [...zones.flatMap(({ steps: list }) => list), ...lookAgain(input)].map(
    (step) => (isDone(step, input.records) ? { ...step, state: 'done' as const } : step),
  );
  return {
    steps: steps.sort((a, b) => daysBetween(b.window.best, a.window.best)),
    clashes: zones.flatMap(({ clashes }) => clashes),
    leftOut: zones.flatMap(({ leftOut }) => leftOut),
    unmet: zones.flatMap(({ unmet }) => unmet),
  };
}
