import { applicationsOf } from '../courses/applicationsOf';
import type { SeedStep, SprayStep, Step } from '../courses/step';
import { stateOf } from '../courses/step';
import { surviving } from '../courses/surviving';
import { setBy } from '../courses/setBy';
import { earlier, later } from '../choice/window';
import type { Held } from '../choice/zoneCase';
import { saltLoad } from '../fertility';
import { efficacy } from '../knowledge/efficacy';
import { purposeOf } from '../needs/notHere';
import { needOfWork } from '../needs/need';
import type { Reason } from '../needs/reason';
import type { WorkPin } from '../needs/seasonInput';
import { carrierVolume, type Application } from '../rates';
import type { Shelf } from '../products';
import { SQUARE_FEET_PER_ACRE, THOUSANDS_PER_ACRE, type LocalDate } from '../units';

/** What somebody has set, as the plan holds it. */
export interface HeldSteps extends Held {
  steps: Step[];
  /** Material that was set for seed, by zone: its day may move what comes before it. */
  seeds: Map<string, WorkPin>;
  unheld: { needId: string; reason: Reason }[];
}

type Materials = NonNullable<WorkPin['materials']>;

function withSpray(step: SprayStep, materials: Materials, shelf: Shelf): SprayStep | null {
  const products = materials.map(({ slug, ratePerAcre }) => ({ herbicide: slug, ratePerAcre }));
  const own = products.flatMap(({ herbicide, ratePerAcre }) => {
    const product = shelf.herbicide(herbicide);
    return product ? [{ product, ratePerAcre }] : [];
  });
  if (own.length < products.length) return null;
  const mode = step.kind === 'prevent' ? 'pre' : 'post';
  return {
    ...step,
    products,
    carrierGalPer1000: carrierVolume(products, mode, shelf),
    control: step.control.map((row) => ({
      ...row,
      expectedPct: Math.round(
        100 *
          (1 -
            surviving(
              own.map((spray) => ({
                ...spray,
                efficacyPct: efficacy(mode, row.weed, spray.product.slug),
              })),
            )),
      ),
    })),
  };
}

/** A step with the mix that somebody set; `null` where it is of another kind than the work. */
function withMaterials(step: Step, materials: Materials, shelf: Shelf): Step | null {
  const [only] = materials;
  const kinds = new Set(materials.map(({ kind }) => kind));
  if (!only || kinds.size > 1) return null;
  const per1000 = only.ratePerAcre / THOUSANDS_PER_ACRE;
  switch (step.kind) {
    case 'prevent':
    case 'control':
      return only.kind === 'herbicide' ? withSpray(step, materials, shelf) : null;
    case 'protect': {
      const product = only.kind === 'treatment' ? shelf.treatment(only.slug) : undefined;
      if (!product?.unit || materials.length > 1) return null;
      return {
        ...step,
        treatment: only.slug,
        unit: product.unit as typeof step.unit,
        ratePerAcre: only.ratePerAcre,
        total: (only.ratePerAcre * step.areaFt2) / SQUARE_FEET_PER_ACRE,
        granular: product.form === 'granule',
        carrierGalPer1000: product.form === 'granule' ? null : step.carrierGalPer1000,
        repeatDays: product.repeatDays ?? product.residualDays,
      };
    }
    case 'feed': {
      const product = only.kind === 'fertilizer' ? shelf.fertilizer(only.slug) : undefined;
      if (!product || materials.length > 1) return null;
      return {
        ...step,
        fertilizer: only.slug,
        grade: product.grade,
        nLbPer1000: (per1000 * product.grade[0]) / 100,
        productLbPer1000: per1000,
        totalLb: (per1000 * step.areaFt2) / 1000,
        saltLoad: saltLoad(per1000, product.saltIndex),
      };
    }
    case 'seed':
      return only.kind === 'seed' && only.slug === step.species && materials.length === 1
        ? withSeed(step, per1000)
        : null;
    case 'look-again':
      return null;
  }
}

const withSeed = (step: SeedStep, lbPer1000: number): SeedStep => ({
  ...step,
  ratePer1000: lbPer1000,
  total: (lbPer1000 * step.areaFt2) / 1000,
});

/** A step on the day that somebody set: from then on, and with a word where that is outside its own window. */
export function onDay(step: Step, date: LocalDate, today: LocalDate): Step {
  const closes = later(step.window.closes, date);
  const window = { ...step.window, opens: date, best: date, closes };
  return {
    ...step,
    window,
    span: { from: date, to: date },
    state: stateOf(window, today),
    pinned: true,
    because: [...step.because, ...setBy(date, step.window)],
    ...(step.waitsFor
      ? {
          waitsFor: { ...step.waitsFor, expected: earlier(step.waitsFor.expected, date) },
        }
      : {}),
  };
}

/** Seed that somebody set, whatever year it would have been. */
const isFor = (work: string, step: Step): boolean =>
  step.serves.includes(work) ||
  (step.kind === 'seed' &&
    work.includes('/sow/') &&
    step.serves.some((own) => purposeOf(needOfWork(own)) === purposeOf(needOfWork(work))));

/** Rounds of needs by a step's works: what comes before them in the same course. */
const roundsOf = ({ serves }: Step) =>
  serves.map((work) => ({ need: needOfWork(work), round: Number(work.split('/')[2]) }));

/** Whether a step is an earlier round of a course than another. */
const isBefore = (step: Step, other: Step): boolean =>
  step.kind === other.kind &&
  roundsOf(step).some(({ need, round }) =>
    roundsOf(other).some((later) => later.need === need && later.round > round),
  );

/**
 * The jobs that somebody set, made of what is planned without them; what is planned beside them then keeps clear of
 * them as of work that is done. A pin that nothing is planned for, or whose mix is of another kind, is told.
 * @param free the steps without any pin
 * @param done work that is on record
 */
export function heldSteps(
  pins: readonly WorkPin[],
  free: readonly Step[],
  done: readonly Application[],
  today: LocalDate,
  shelf: Shelf,
): HeldSteps {
  const held: HeldSteps = { steps: [], work: [], sowOn: new Map(), seeds: new Map(), unheld: [] };
  const sowOn = new Map<string, LocalDate>();
  const taken = new Set<Step>();
  for (const pin of pins) {
    const { work, date, materials } = pin;
    if (done.some(({ stepId }) => stepId === work)) continue;
    const tell = (rule: string) =>
      held.unheld.push({ needId: needOfWork(work), reason: { rule, inputs: { work } } });
    const step = free.find((own) => isFor(work, own));
    if (!step || step.kind === 'look-again') {
      tell('pin-no-work');
      continue;
    }
    if (taken.has(step)) continue;
    const mixed = materials ? withMaterials(step, materials, shelf) : step;
    if (!mixed) tell('pin-other-kind');
    taken.add(step);
    if (step.kind === 'seed') {
      // What has to die before it follows its day: it is laid out anew.
      sowOn.set(step.zoneId, date ?? step.window.best);
      if (mixed && materials) held.seeds.set(step.zoneId, pin);
      continue;
    }
    held.steps.push(onDay(mixed ?? step, date ?? step.window.best, today));
  }
  // A later round that is set stands on the earlier ones, which stay where they are.
  for (const step of free) {
    if (taken.has(step) || !held.steps.some((later) => isBefore(step, later))) continue;
    taken.add(step);
    held.steps.push(step);
  }
  return {
    ...held,
    sowOn,
    work: held.steps.flatMap((step) =>
      applicationsOf(step).map((application) => ({
        ...application,
        stepId: step.id,
        ...('control' in step ? { targets: step.control.map(({ weed }) => weed) } : {}),
      })),
    ),
  };
}

/** Seed at the rate that somebody set. */
export function atSetRate(step: Step, held: HeldSteps, shelf: Shelf): Step {
  const materials = step.kind === 'seed' ? held.seeds.get(step.zoneId)?.materials : undefined;
  return (materials && withMaterials(step, materials, shelf)) || step;
}
