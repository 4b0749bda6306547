import { herbicide } from '../knowledge';
import { zoneArea } from '../lawn';
import type { Application } from '../rates';
import { addDays, daysBetween, localDate, type LocalDate } from '../units';
import { planZone } from './planZone';
import type { SeasonInput } from './seasonInput';
import type { LookStep, Season, Step } from './step';

/** Days either side of its window in which a record counts as having done a step. */
const DONE_SLACK_DAYS = 14;

/** The kinds of material that a record must hold to have done a step. */
const materialOf = {
  prevent: 'herbicide',
  control: 'herbicide',
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
    return record.materials.some((material) => material.kind === kind);
  });
}

function lookAgain(input: SeasonInput): LookStep[] {
  return input.findings.flatMap(({ zoneId, lookAgainOn, cause }) => {
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
        id: `${zoneId}:look-again:${lookAgainOn}`,
        kind: 'look-again' as const,
        zoneId,
        window,
        state: lookAgainOn <= input.today ? ('open' as const) : ('upcoming' as const),
        areaFt2: zoneArea(zone),
        gates: [],
        because: [{ rule: 'look-again', inputs: { cause: cause ?? null } }],
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

/**
 * What a step would put down, in the terms of a record: one application a walk. Looking again puts
 * nothing down.
 * @param on day of the first walk; the step's best day unless given
 */
export function applicationsOf(step: Step, on: LocalDate = step.window.best): Application[] {
  const base = { zoneId: step.zoneId, areaFt2: step.areaFt2 };
  switch (step.kind) {
    case 'prevent':
    case 'control':
      return Array.from({ length: step.walks }, (_, walk) => ({
        ...base,
        id: `${step.id}#${walk + 1}`,
        date: addDays(on, walk * step.intervalDays),
        materials: step.products.map(({ herbicide: slug, ratePerAcre }) => ({
          kind: 'herbicide' as const,
          slug,
          amount: (ratePerAcre * step.areaFt2) / 43_560,
          unit: herbicide(slug)?.unit ?? 'oz',
        })),
      }));
    case 'feed':
      return [
        {
          ...base,
          id: step.id,
          date: on,
          materials: [
            { kind: 'fertilizer', slug: step.fertilizer, amount: step.totalLb, unit: 'lb' },
          ],
        },
      ];
    case 'seed':
      return step.material === 'plugs'
        ? []
        : [
            {
              ...base,
              id: step.id,
              date: on,
              materials: [{ kind: 'seed', slug: step.species, amount: step.total, unit: 'lb' }],
            },
          ];
    case 'look-again':
      return [];
  }
}
