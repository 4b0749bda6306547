import { applicationsOf } from '../courses/applicationsOf';
import type { Season, Step } from '../courses/step';
import { weed as weedOf } from '../knowledge';
import { feedingRules } from '../knowledge/nitrogen';
import { killRules, protectionRounds, splitRules } from '../knowledge/programmes';
import { needOfWork } from '../needs/need';
import type { LookAnswer } from '../needs/seasonInput';
import { lawnSeason } from '../program/lawnSeason';
import { LIBRARY } from '../products';
import type { Application, Material } from '../rates';
import { addDays, daysBetween, localDate, type LocalDate } from '../units';
import { seededRandom } from '../weather/seededRandom';
import { testWeather } from '../weather/testdata/testWeather';
import { inputOf, type AnyLawn } from './anyLawn';

/** How often what is done differs from what was planned, as shares. */
export interface Disturbances {
  /** Rained off at once: a tenth of the work. */
  rainedOff: number;
  /** Half the ground. */
  half: number;
  /** Another product for the same. */
  otherBrand: number;
  /** Written down a week later. */
  typedLate: number;
  /** Returns that nobody answers. */
  unanswered: number;
}

export const AS_PLANNED: Disturbances = {
  rainedOff: 0,
  half: 0,
  otherBrand: 0,
  typedLate: 0,
  unanswered: 0,
};
export const DISTURBED: Disturbances = {
  rainedOff: 0.1,
  half: 0.1,
  otherBrand: 0.1,
  typedLate: 0.1,
  unanswered: 0.1,
};

/** Something that an obedient technician should never be told. */
export interface Disobeyed {
  on: LocalDate;
  law: string;
  what: string;
}

/** What was done for a need, and how much of it. */
interface Done {
  need: string;
  /** Kind of work within its need: kill, sow, starter, walk. */
  work: string;
  on: LocalDate;
  step: Step;
  effect: number;
}

/** Fewest days between two jobs for one need. */
function gapOf(step: Step, need: string): number {
  if (step.kind === 'control' && step.kill) return killRules.regrowthDays;
  const [kind, subject = ''] = need.split(':');
  switch (kind) {
    case 'control':
      return weedOf(subject)?.intervalDays[0] ?? 28;
    case 'prevent':
      return splitRules.leastWeeks * 7;
    case 'protect':
      return protectionRounds(subject).everyDays;
    case 'feed':
      return feedingRules.gapDays;
    case 'cure':
      return 7;
    default:
      return step.kind === 'seed' ? 240 : 1;
  }
}

/** The same purpose whatever its cycle: what is done comes back under no other name. */
const purpose = (need: string) => need.split(':').slice(0, 3).join(':');
const workOf = (work: string) => work.split('/')[1] ?? '';

/** Another product that does the same work, at its usual rate; the material itself where there is none. */
function otherBrand(material: Material, areaFt2: number, step: Step): Material {
  if (material.kind === 'treatment' && step.kind === 'protect') {
    const other = LIBRARY.treatments.find(
      (product) =>
        product.slug !== material.slug &&
        product.residential === 'yes' &&
        product.targets.includes(step.cause) &&
        product[step.mode] > 0 &&
        product.ratePerAcre,
    );
    return other?.ratePerAcre && other.unit
      ? {
          kind: 'treatment',
          slug: other.slug,
          unit: other.unit,
          amount: (other.ratePerAcre[0] * areaFt2) / 43_560,
        }
      : material;
  }
  return material;
}

/** A year of doing what the plan says, asked on the days that matter; what was done, and every law that was broken. */
export function obey(
  sample: AnyLawn,
  {
    days,
    seed,
    disturbances,
    everyMorning = false,
  }: { days: number; seed: number; disturbances: Disturbances; everyMorning?: boolean },
): {
  done: Done[];
  broken: Disobeyed[];
  last: Season;
  asked: number;
  records: Application[];
  /** Day from which work that was written down late is known, by its record. */
  knownFrom: ReadonlyMap<string, LocalDate>;
  /** Records of another product than the plan had said. */
  swapped: ReadonlySet<string>;
} {
  const random = seededRandom(seed);
  const { request, records: before, history } = inputOf(sample);
  const start = request.today;
  const records: Application[] = [...before];
  const later: { from: LocalDate; record: Application }[] = [];
  const knownFrom = new Map<string, LocalDate>();
  const swapped = new Set<string>();
  const looks: LookAnswer[] = [];
  const done: Done[] = [];
  const broken: Disobeyed[] = [];
  const unanswered = new Set<string>();
  const choices: Record<string, 'seed' | 'prevent'> = {};
  let asked = 0;
  const ask = (today: LocalDate): Season => {
    asked += 1;
    const weather = testWeather(sample.region, sample.seed, today);
    const plan = () =>
      lawnSeason({ ...request, today, looks, choices }, weather, [], records, history).season;
    const first = plan();
    const open = sample.choose ? first.clashes.filter(({ id }) => !(id in choices)) : [];
    for (const { id } of open) choices[id] = sample.choose as 'seed' | 'prevent';
    return open.length > 0 ? plan() : first;
  };
  let season = ask(start);
  let next = start;
  const end = addDays(start, days);
  while (next <= end) {
    const today = next;
    while (later[0] && later[0].from <= today) records.push(later.shift()!.record);
    season = ask(today);
    broken.push(...faultsOf(season, today));
    const pending = new Set(later.map(({ record }) => record.stepId));
    for (const step of season.steps) {
      if (step.window.best > today || step.state !== 'open') continue;
      if (step.kind === 'look-again') {
        if (step.need.startsWith('0190') || unanswered.has(step.need)) continue;
        if (random() < disturbances.unanswered) unanswered.add(step.need);
        else {
          const seen = random() < 0.7 ? 'gone' : 'same';
          looks.push({ needId: step.need, date: today, seen });
        }
        continue;
      }
      if (pending.has(step.id)) continue;
      if (step.waitsFor) {
        // The one who comes for it looks first: what is gone is done with, what is not waits for nothing more.
        const seen = random() < 0.5 ? 'gone' : 'same';
        const needs = new Set(step.serves.map(needOfWork));
        looks.push(...[...needs].map((needId) => ({ needId, date: today, seen }) as const));
        season = ask(today);
        for (const other of season.steps) {
          if (other.waitsFor && other.serves.every((work) => needs.has(needOfWork(work)))) {
            const round = (of: Step) => Math.min(...of.serves.map((work) => Number(work.split('/')[2])));
            if (round(other) > round(step)) continue;
            broken.push({ on: today, law: 'look', what: `${other.id} still waits, ${seen} was seen` });
          }
        }
        continue;
      }
      for (const work of step.serves) {
        const need = needOfWork(work);
        const earlier = done
          .filter(
            (one) =>
              purpose(one.need) === purpose(need) &&
              one.work === workOf(work) &&
              one.effect >= 0.5,
          )
          .at(-1);
        if (earlier && daysBetween(earlier.on, today) < gapOf(step, need)) {
          broken.push({
            on: today,
            law: 'repeat',
            what: `${work} after ${earlier.step.id} of ${earlier.on}`,
          });
        }
      }
      const rained = random() < disturbances.rainedOff;
      const half = !rained && random() < disturbances.half;
      const effect = rained ? 0.1 : 1;
      const brand = random() < disturbances.otherBrand;
      for (const application of applicationsOf(step, today)) {
        const areaFt2 = application.areaFt2 * (half ? 0.5 : 1);
        const record: Application = {
          ...application,
          id: `${application.id}@${today}`,
          stepId: step.id,
          areaFt2,
          effect,
          materials: application.materials.map((material) =>
            brand
              ? otherBrand({ ...material, amount: material.amount * (half ? 0.5 : 1) } as Material, areaFt2, step)
              : ({ ...material, amount: material.amount * (half ? 0.5 : 1) } as Material),
          ),
        };
        if (brand) swapped.add(record.id);
        if (random() < disturbances.typedLate) {
          later.push({ from: addDays(today, 7), record });
          knownFrom.set(record.id, addDays(today, 7));
        } else records.push(record);
      }
      done.push(
        ...step.serves.map((work) => ({
          need: needOfWork(work),
          work: workOf(work),
          on: today,
          step,
          effect: half ? 0.5 : effect,
        })),
      );
      // The same evening: what has been done is not asked for again.
      season = ask(today);
      const again = season.steps.find(
        (other) =>
          other.kind === step.kind &&
          other.state === 'open' &&
          other.window.best <= today &&
          other.serves.some((work) => step.serves.includes(work)) &&
          !later.some(({ record }) => record.stepId === step.id),
      );
      if (again && effect === 1 && !half) {
        broken.push({ on: today, law: 'same-day', what: `${again.id} after itself` });
      }
    }
    season = ask(today);
    const ahead = season.steps
      .map(({ window }) => window.best)
      .concat(later.map(({ from }) => from))
      .filter((day) => day > today)
      .sort()[0];
    const week = addDays(today, 14);
    next = everyMorning ? addDays(today, 1) : ahead && ahead < week ? ahead : week;
  }
  return { done, broken, last: season, asked, records, knownFrom, swapped };
}

/** Needs that hang in the air: neither work, nor a day, nor a reason. */
export function faultsOf(season: Season, on: LocalDate): Disobeyed[] {
  return season.needs.flatMap(({ id, state, reason }) => {
    const work = season.steps.some(({ serves }) => serves.some((one) => one.startsWith(`${id}/`)));
    const fine =
      state === 'met' || reason !== undefined || ((state === 'planned' || state === 'underWay') && work);
    return fine ? [] : [{ on: localDate(on), law: 'complete', what: `${id} is ${state}` }];
  });
}
