import { chooseWalks, relaxedWishes, type Relaxed, type WalksAnswer } from './chooseWalks';
import { targetControl } from './chooseMix';
import type { SeasonInput } from './seasonInput';
import { expectedDay } from './sprayDay';
import { question } from './sprayQuestion';
import type { SeedStep, Step } from './step';
import { zoneCaseOf } from './zoneCase';

export interface StepChoices extends WalksAnswer {
  relaxed: Relaxed[];
}

/**
 * Every way to do a post-emergent step on its best day: cheapest, fewest walks, the next best and a
 * weaker one, and what asking for less would save. Limits count what is on record, not what else is
 * planned.
 * @returns `null` when the step is no post-emergent of one of the zones
 */
export function stepChoices(
  input: SeasonInput,
  steps: readonly Step[],
  stepId: string,
): StepChoices | null {
  const step = steps.find(({ id }) => id === stepId);
  const zone = input.zones.find(({ id }) => id === step?.zoneId);
  if (!step || !zone || step.kind !== 'control') return null;
  const zoneCase = zoneCaseOf(input, zone);
  const seed = steps.find(
    (other): other is SeedStep => other.kind === 'seed' && other.zoneId === zone.id,
  );
  const date = step.window.best;
  const targets = step.control.map(({ weed }) => {
    const stage = zoneCase.weeds.find((finding) => finding.weed === weed)?.stage;
    return { weed, targetPct: targetControl(weed), ...(stage ? { stage } : {}) };
  });
  const asked = question(zoneCase, 'post', targets, date, seed ?? null, {
    treatedFt2: step.areaFt2,
    airHighF: expectedDay(zoneCase.season, date).airHighF,
  });

  return { ...chooseWalks(asked), relaxed: relaxedWishes(asked) };
}
