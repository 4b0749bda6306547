import { earlier } from '../choice/window';
import type { ZoneCase } from '../choice/zoneCase';
import { applicationRules, weed as weedOf } from '../knowledge';
import { efficacy } from '../knowledge/efficacy';
import { walkRules } from '../knowledge/programmes';
import { fallRound as rule, standsFor } from '../knowledge/standingProgram';
import { siteFactors } from '../lawn';
import { needId, workId, type Need } from '../needs/need';
import { notHere } from '../needs/notHere';
import type { Reason } from '../needs/reason';
import { addDays, localDate, yearOf, type LocalDate } from '../units';
import type { ControlTask } from './controlProgress';
import { controlSteps } from './controlStep';
import type { ControlStep, SeedStep } from './step';

export const FALL_ROUND = 'broadleaf-round';

const isPerennialBroadleaf = (slug: string): boolean => {
  const entry = weedOf(slug);
  return entry?.category === 'broadleaf' && entry.lifeCycle === 'perennial';
};

/** Last day between two on which somebody sprayed what takes the weeds of the round. */
function madeOn({ records, shelf }: ZoneCase, from: LocalDate, to: LocalDate): LocalDate | null {
  return (
    records
      .filter(
        ({ effect, materials }) =>
          (effect ?? 1) >= walkRules.leastEffect &&
          materials.some(
            ({ kind, slug }) =>
              kind === 'herbicide' &&
              rule.weeds.some((weed) => {
                const product = shelf.herbicide(slug);
                return (
                  product !== undefined &&
                  efficacy('post', weed, product.slug) >= applicationRules.usefulEfficacy
                );
              }),
          ),
      )
      .map(({ date }) => localDate(date))
      .filter((date) => date >= from && date <= to)
      .sort()
      .pop() ?? null
  );
}

/**
 * The round of fall against perennial broadleaves, of the standing program: made by a walk that is laid for such a
 * weed anyway, or else a walk of its own, spot by spot.
 * @param laid walks that are planned against weeds that were seen
 * @param reserve notes a planned walk, so that what follows keeps clear of its limits
 */
export function fallRound(
  zoneCase: ZoneCase,
  seed: SeedStep | null,
  laid: readonly ControlStep[],
  reserve: (step: ControlStep) => void,
): Need | null {
  const { input, zone } = zoneCase;
  const { today } = input;
  const place = { region: input.region, upkeep: zone.upkeep ?? input.upkeep };
  if (!standsFor(rule, { ...place, factors: siteFactors(zone) })) return null;
  const year = today > localDate(`${yearOf(today)}-${rule.to}`) ? yearOf(today) + 1 : yearOf(today);
  const from = localDate(`${year}-${rule.from}`);
  const to = localDate(`${year}-${rule.to}`);
  // New grass is older before anything is sprayed on it.
  if (seed?.use === 'new' && seed.window.best <= to) return null;
  const identity = {
    kind: 'control' as const,
    subject: FALL_ROUND,
    place: { zoneId: zone.id },
    cycle: String(year),
  };
  const need = (state: Need['state'], reason?: Reason): Need => ({
    ...identity,
    id: needId(identity),
    state,
    course: state === 'givenUp' ? null : 'fall-broadleaf-round',
    ways: ['fall-broadleaf-round'],
    ...(reason ? { reason } : {}),
  });
  const said = notHere(input, needId(identity));
  if (said) return need('givenUp', said);
  const early = addDays(from, -rule.reachDays);
  const made = madeOn(zoneCase, early, addDays(to, rule.reachDays));
  if (made) return need('met', { rule: 'round-made', inputs: { on: made } });
  const work = workId(needId(identity), 'walk', 1);
  const joined = laid.find(
    ({ window, control }) =>
      window.best >= early &&
      window.best <= to &&
      control.some((row) => isPerennialBroadleaf(row.weed)),
  );
  if (joined) {
    joined.serves.push(work);
    return need('planned');
  }
  // A weed that is known here has a programme of its own.
  const known = new Set(zoneCase.weeds.filter(({ growing }) => growing).map(({ weed }) => weed));
  const tasks = rule.weeds
    .filter((weed) => !known.has(weed))
    .map((weed): ControlTask => ({
      need: needId(identity),
      finding: { weed, cover: rule.cover / rule.weeds.length, growing: true },
      done: 0,
      rounds: 1,
      notBefore: from > today ? from : today,
      waitsForLook: false,
      unseen: false,
    }));
  const { steps } = controlSteps(zoneCase, seed, tasks, () => undefined);
  const step = steps.find(({ window }) => window.best <= to);
  if (!step) return need('givenUp', { rule: 'round-no-product', inputs: { from, to } });
  const own: ControlStep = {
    ...step,
    group: 'fall-round',
    window: { ...step.window, closes: earlier(step.window.closes, to) },
    ...(step.span ? { span: { from: step.span.from, to: earlier(step.span.to, to) } } : {}),
    because: [{ rule: 'standing-round', inputs: {} }, ...step.because],
  };
  reserve(own);
  return need('planned');
}
