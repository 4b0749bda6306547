import { applicationRules } from '../knowledge';
import type { LocalDate } from '../units';
import { chooseTogether, type TogetherAnswer } from '../choice/chooseTogether';
import { chooseWalks, relaxedWishes, type Relaxed, type WalksAnswer } from '../choice/chooseWalks';
import { targetControl, type MixQuestion } from '../choice/chooseMix';
import type { SeasonInput } from '../needs/seasonInput';
import { expectedDay } from '../choice/sprayDay';
import { question } from '../courses/sprayQuestion';
import type {
  ControlStep,
  FeedStep,
  PreventStep,
  ProtectStep,
  SeedStep,
  Step,
} from '../courses/step';
import { Usage } from '../choice/usage';
import { zoneCaseOf, type ZoneCase } from '../choice/zoneCase';

export interface StepChoices extends WalksAnswer {
  relaxed: Relaxed[];
  /** The step with whatever else the zone needs that day; `null` for weeds that are all there is. */
  together: (TogetherAnswer & { stepIds: string[] }) | null;
}

const onDay = (step: Step, date: LocalDate): boolean =>
  step.window.opens <= date && date <= step.window.closes;

function weedQuestion(
  zoneCase: ZoneCase,
  step: ControlStep,
  seed: SeedStep | null,
  date: LocalDate,
): MixQuestion {
  const targets = step.control.map(({ weed }) => {
    const stage = zoneCase.weeds.find((finding) => finding.weed === weed)?.stage;
    return { weed, targetPct: targetControl(weed), ...(stage ? { stage } : {}) };
  });
  return question(zoneCase, 'post', targets, date, seed, {
    treatedFt2: step.areaFt2,
    airHighF: expectedDay(zoneCase.season, date).airHighF,
  });
}

/** The same question with the pre-emergent of the day counted as used: its actives are in the tank. */
function beside(weeds: MixQuestion, prevent: PreventStep, date: LocalDate): MixQuestion {
  const usage = weeds.usage?.usage.copy() ?? new Usage();
  for (const { herbicide: slug, ratePerAcre } of prevent.products) {
    const product = weeds.shelf.herbicide(slug);
    if (product) usage.add(product, ratePerAcre, date);
  }
  return { ...weeds, usage: { usage, date } };
}

/**
 * Every way to do a step on its best day: the weeds alone (cheapest, fewest walks, the next best and
 * a weaker one, and what asking for less would save), and the weeds, insects, diseases, pre-emergent
 * and feeding of the zone that are due that day together. Limits count what is on record, not what else is planned.
 * @returns `null` when the step is no post-emergent and no treatment of one of the zones
 */
export function stepChoices(
  input: SeasonInput,
  steps: readonly Step[],
  stepId: string,
): StepChoices | null {
  const step = steps.find(({ id }) => id === stepId);
  const zone = input.zones.find(({ id }) => id === step?.zoneId);
  if (!step || !zone || (step.kind !== 'control' && step.kind !== 'protect')) return null;
  // What kills all of it has one way only.
  if (step.kind === 'control' && step.kill) return null;
  const zoneCase = zoneCaseOf(input, zone);
  const date = step.window.best;
  const here = steps.filter((other) => other.zoneId === zone.id);
  const seed = here.find((other): other is SeedStep => other.kind === 'seed') ?? null;
  const due = here.filter((other) => other === step || onDay(other, date));
  const control =
    step.kind === 'control'
      ? step
      : due.find((other): other is ControlStep => other.kind === 'control');
  const protects = due.filter((other): other is ProtectStep => other.kind === 'protect');
  const prevent = due.find((other): other is PreventStep => other.kind === 'prevent') ?? null;
  const feed = due.find((other): other is FeedStep => other.kind === 'feed') ?? null;
  const weeds = control ? weedQuestion(zoneCase, control, seed, date) : null;
  const airHighF = expectedDay(zoneCase.season, date).airHighF;
  const alone = protects.length === 0 && !prevent && !feed;
  return {
    ...(weeds && step.kind === 'control' ? chooseWalks(weeds) : { options: [], excluded: [] }),
    relaxed: weeds && step.kind === 'control' ? relaxedWishes(weeds) : [],
    together: alone
      ? null
      : {
          ...chooseTogether(zoneCase, {
            weeds: weeds && prevent ? beside(weeds, prevent, date) : weeds,
            causes: protects.map(({ cause, mode }) => ({
              cause,
              mode,

              targetPct: applicationRules.targetControl,
            })),
            prevent,
            feed,
            date,
            airHighF,
          }),
          stepIds: [control, ...protects, prevent, feed].flatMap((other) =>
            other ? [other.id] : [],
          ),
        },
  };
}
