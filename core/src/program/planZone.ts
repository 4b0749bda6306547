import { cause as causeOf, emergenceWindows, type EmergenceWindow } from '../knowledge';
import { keyModel } from '../knowledge/key';
import { preventionWindows } from '../knowledge/preventionWindows';
import { mainGrass, type Zone } from '../lawn';
import { addDays, daysBetween, yearOf } from '../units';
import { applicationsOf } from '../courses/applicationsOf';
import { controlStep } from '../courses/controlStep';
import { feedSteps } from '../courses/feedSteps';
import { fedBy } from '../choice/fed';
import { preventStep } from '../courses/preventStep';
import { protectStep } from '../courses/protectStep';
import type { Reason } from '../needs/reason';
import type { SeasonInput, WeedFinding } from '../needs/seasonInput';
import { seedStep } from '../courses/seedStep';
import type { Clash, ProtectStep, Season, SprayStep } from '../courses/step';
import { zoneCaseOf, type ZoneCase } from '../choice/zoneCase';

/** No product goes on a name that the key was not sure of. */
const isUnsure = ({ confidence }: WeedFinding): boolean =>
  confidence !== undefined && confidence < keyModel.lockBelow;

/** Walks against what grows now and what is not up yet. */
const MOST_CONTROL_WALKS = 3;

/** Notes planned work so that later steps of the zone keep clear of its limits, and of what it feeds. */
function reserve({ usage, shelf, fed }: ZoneCase, step: SprayStep | ProtectStep): void {
  fed.push(...applicationsOf(step).map((application) => fedBy(application, shelf)));
  if (step.kind === 'protect') return;
  for (const { herbicide: slug, ratePerAcre } of step.products) {
    const product = shelf.herbicide(slug);
    if (!product) continue;
    for (let walk = 0; walk < step.walks; walk += 1) {
      usage.add(
        product,
        ratePerAcre,
        addDays(step.window.best, walk * step.intervalDays),
        step.control.map(({ weed }) => weed),
      );
    }
  }
}

/** Insects and diseases of a zone to be treated, or prevented because they were here before. */
function toProtect(
  input: SeasonInput,
  zoneId: string,
): { cause: string; mode: 'curative' | 'preventive' }[] {
  const damages = input.findings
    .filter((entry) => entry.zoneId === zoneId)
    .flatMap((entry) => entry.damages);
  // One walk treats a cause in all its patches; a patch to be treated outweighs one to be spared.
  const modes = new Map<string, 'curative' | 'preventive'>();
  for (const { cause, protect } of damages) {
    const group = cause ? causeOf(cause)?.group : undefined;
    if (!cause || !protect || (group !== 'insect' && group !== 'disease')) continue;
    if (modes.get(cause) !== 'curative') {
      modes.set(cause, protect === 'treat' ? 'curative' : 'preventive');
    }
  }
  const found = [...modes].map(([cause, mode]) => ({ cause, mode }));
  const lapsed = (input.lapsed?.get(zoneId) ?? [])
    .filter((slug) => !damages.some(({ cause }) => cause === slug))
    .filter((slug) => preventionWindows.some((entry) => entry.cause === slug))
    .map((slug) => ({ cause: slug, mode: 'preventive' as const }));
  return [...found, ...lapsed];
}

/**
 * Works out one zone: seed first (it shuts other work out), then pre-emergents in order of date, the
 * post-emergent, and the feedings. Seed and a pre-emergent that cannot both be had are held back
 * until the technician picks one. Where nobody has named the grass nothing is planned: what may be
 * spread or sprayed depends on it.
 */
export function planZone(input: SeasonInput, zone: Zone): Season {
  const result: Season = { steps: [], clashes: [], leftOut: [], unmet: [] };
  const leaveOut = (reason: Reason) => result.leftOut.push({ zoneId: zone.id, reason });
  if (!mainGrass(zone)) {
    leaveOut({ rule: 'name-grass-first', inputs: {} });
    return result;
  }
  const zoneCase = zoneCaseOf(input, zone);

  const seeding = seedStep(zoneCase);
  if (seeding.reason) leaveOut(seeding.reason);
  let seed = seeding.step;

  const groups = emergenceWindows
    .map((group) => ({ group, ...preventStep(zoneCase, group, seed) }))
    .filter(({ step, unmet }) => step !== null || unmet.length > 0)
    .sort((a, b) => (a.step && b.step ? (a.step.window.best < b.step.window.best ? -1 : 1) : 0));

  // A choice for prevention settles the seeding before anything is laid out around it.
  const clashId = (group: EmergenceWindow, step: SprayStep) =>
    `${zone.id}:seed-or-prevent:${group.slug}:${yearOf(step.window.best)}`;
  // Establishing a stand is what the customer has asked for, unless somebody chose otherwise.
  const choiceOf = (id: string): Clash['choice'] =>
    input.choices[id] ?? (zone.project === 'build' ? 'seed' : null);
  const chosenPrevent = groups.some(
    ({ group, step, clash }) => clash && step && choiceOf(clashId(group, step)) === 'prevent',
  );
  let heldSeed = false;
  for (const { group } of groups) {
    // Each is asked again, since the ones before it have used up part of the limits.
    const { step, clash, unmet } = preventStep(zoneCase, group, seed);
    result.unmet.push(...unmet);
    if (!step) continue;
    if (!clash || !seed) {
      const sameMix = result.steps.find(
        (other): other is SprayStep =>
          other.kind === 'prevent' &&
          Math.abs(daysBetween(other.window.best, step.window.best)) <= 14 &&
          other.products.some((p) => step.products.some((q) => q.herbicide === p.herbicide)),
      );
      if (sameMix) {
        sameMix.control.push(...step.control);
        sameMix.because.push({ rule: 'prevent-same-walk', inputs: { group: group.slug } });
        continue;
      }
      result.steps.push(step);
      reserve(zoneCase, step);
      continue;
    }
    const id = clashId(group, step);
    const choice = choiceOf(id);
    result.clashes.push({
      id,
      zoneId: zone.id,
      seed,
      prevent: step,
      ...clash,
      seedFrom: addDays(step.window.best, clash.waitWeeks * 7),
      choice,
    } satisfies Clash);
    if (choice === 'prevent' || (chosenPrevent && choice !== 'seed')) {
      result.steps.push(step);
      reserve(zoneCase, step);
      if (choice === 'prevent') leaveOut({ rule: 'seed-set-aside', inputs: { group: group.slug } });
    } else if (choice === 'seed') {
      leaveOut({ rule: 'prevent-set-aside', inputs: { group: group.slug } });
    } else heldSeed = true;
  }
  const keepSeed = seed !== null && !chosenPrevent && !heldSeed;
  if (seed && keepSeed) result.steps.push(seed);
  if (chosenPrevent) seed = null;

  let growing = zoneCase.weeds.filter((finding) => finding.growing && !isUnsure(finding));
  for (const { weed, confidence } of zoneCase.weeds.filter(isUnsure)) {
    const sure = Math.round((confidence ?? 0) * 100);
    result.unmet.push({
      zoneId: zone.id,
      weed,
      reason: { rule: 'weed-name-unsure', inputs: { weed, sure, from: keyModel.lockBelow * 100 } },
    });
  }
  for (const finding of input.findings.filter(({ zoneId }) => zoneId === zone.id)) {
    for (const { category } of finding.unnamed) {
      leaveOut({ rule: 'weed-unnamed', inputs: { category } });
    }
  }
  for (let walk = 0; walk < MOST_CONTROL_WALKS && growing.length > 0; walk += 1) {
    const control = controlStep(zoneCase, seed, growing);
    result.unmet.push(...control.unmet);
    growing = control.waiting;
    if (!control.step) break;
    result.steps.push(control.step);
    reserve(zoneCase, control.step);
  }
  for (const { cause, mode } of toProtect(input, zone.id)) {
    const protect = protectStep(zoneCase, cause, mode);
    if (protect.step) {
      result.steps.push(protect.step);
      reserve(zoneCase, protect.step);
    }
    result.unmet.push(...protect.unmet);
  }
  const feeding = feedSteps(zoneCase, keepSeed ? seed : null);
  result.steps.push(...feeding.steps);
  feeding.leftOut.forEach(leaveOut);
  return result;
}
