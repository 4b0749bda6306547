import type { LookStep, Season } from '../courses/step';
import { layoutCosts } from '../knowledge/layoutCosts';
import { walkRules } from '../knowledge/programmes';
import { zoneArea, type Zone } from '../lawn';
import { workId } from '../needs/need';
import type { Reason } from '../needs/reason';
import type { SeasonInput } from '../needs/seasonInput';
import { addDays, daysBetween, type LocalDate } from '../units';
import { shelfOf } from '../products';
import { laidOut } from './laidOut';
import { planZone, type LookDue } from './planZone';

/** Days that a return which somebody asked for stays open. */
const ASKED_OPEN_DAYS = 7;

function lookStep(
  { today }: SeasonInput,
  zone: Zone,
  look: {
    id: string;
    need: string;
    subject: string | null;
    date: LocalDate;
    openDays: number;
    patchId: string | null;
    number: number | null;
    because: Reason;
  },
): LookStep {
  const { id, need, subject, date, openDays, patchId, number, because } = look;
  return {
    id,
    serves: [id],
    kind: 'look-again',
    zoneId: zone.id,
    window: {
      opens: date,
      best: date,
      closes: addDays(date, openDays),
      basis: { kind: 'calendar' },
    },
    span: { from: date, to: addDays(date, Math.min(openDays, layoutCosts.mostDays)) },
    state: date <= today ? 'open' : 'upcoming',
    areaFt2: zoneArea(zone),
    gates: [],
    because: [because],
    patchId,
    number,
    need,
    subject,
  };
}

/** Returns that somebody decided on, place by place. */
const asked = (input: SeasonInput): LookStep[] =>
  input.findings.flatMap(({ zoneId, damages }) =>
    damages.flatMap(({ patchId, number, lookAgainOn, cause }) => {
      const zone = input.zones.find(({ id }) => id === zoneId);
      if (!lookAgainOn || !zone) return [];
      const need = `${zoneId}:look-again:${patchId ?? 'zone'}:${lookAgainOn}`;
      return [
        lookStep(input, zone, {
          id: need,
          need,
          subject: cause,
          date: lookAgainOn,
          openDays: ASKED_OPEN_DAYS,
          patchId,
          number: number ?? null,
          because: { rule: cause ? 'look-again' : 'look-again-unsure', inputs: { cause } },
        }),
      ];
    }),
  );

/** Returns that follow on work that was done. */
const afterWork = (input: SeasonInput, zone: Zone, looks: readonly LookDue[]): LookStep[] =>
  looks.map(({ need, subject, date }) =>
    lookStep(input, zone, {
      id: workId(need, 'look', 1),
      need,
      subject,
      date,
      openDays: walkRules.lookOpenDays,
      patchId: null,
      number: null,
      because: { rule: `look-after-${need.split(':')[0]}`, inputs: { subject } },
    }),
  );

/**
 * Works out the year of a lawn: what every zone needs and how far each need has come; the steps with window, product,
 * rate, amount, gates and reasons; what was excluded; and the clashes that the technician must settle. Work on record
 * is counted where it belongs, whoever did it and with what.
 * @returns steps in order of their best day
 * @throws RangeError when a zone has no soil season
 */
export function planSeason(input: SeasonInput): Season {
  const zones = input.zones.map((zone) => ({ zone, ...planZone(input, zone) }));
  return {
    needs: zones.flatMap(({ needs }) => needs),
    steps: laidOut(
      [
        ...zones.flatMap(({ steps }) => steps),
        ...zones.flatMap(({ zone, looks }) => afterWork(input, zone, looks)),
        ...asked(input),
      ],
      input,
      shelfOf(input.policy.labels),
    ).sort((a, b) => daysBetween(b.window.best, a.window.best)),
    clashes: zones.flatMap(({ clashes }) => clashes),
    leftOut: zones.flatMap(({ leftOut }) => leftOut),
    unmet: zones.flatMap(({ unmet }) => unmet),
    nitrogen: zones.flatMap(({ nitrogen }) => nitrogen),
  };
}
