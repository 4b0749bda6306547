import { z } from 'zod';
import {
  coverRule,
  grass,
  phSpots,
  slugSchema,
  testThresholds,
  type GrassSlug,
} from '../knowledge';
import {
  fieldTestCard,
  fieldTestLimits as limits,
  type FieldTestCard,
  type TestField,
} from '../knowledge/fieldTestCards';
import { thatchVerdict, wilsonInterval } from '../lawn';

const GALLONS_PER_CUBIC_FOOT = 1728 / 231;
const GRAMS_PER_OUNCE = 28.349523125;
const OUNCES_PER_POUND = 16;

const reading = z.number().min(-1_000_000).max(1_000_000);
const valueSchema = z.union([reading, z.array(reading).max(200), z.boolean()]);

/** Problems of one reading, as the screen's form and the server find them. */
function fieldProblem(
  field: TestField,
  value: z.infer<typeof valueSchema> | undefined,
): string | null {
  if (value === undefined) return field.optional ? null : 'missing';
  const fits = (number: number) =>
    number >= field.min &&
    number <= field.max &&
    (field.kind !== 'count' || Number.isInteger(number));
  if (field.kind === 'yes-no') return typeof value === 'boolean' ? null : 'not-yes-or-no';
  if (field.kind === 'series') {
    if (!Array.isArray(value) || value.length === 0) return 'missing';
    return value.every(fits) ? null : 'out-of-range';
  }
  return typeof value === 'number' && fits(value) ? null : 'out-of-range';
}

/** One field test as it was read: a value for each field of its card. */
export const fieldTestInputSchema = z
  .object({
    test: slugSchema.refine((slug) => fieldTestCard(slug) !== undefined, 'unknown test'),
    values: z.record(slugSchema, valueSchema),
  })
  .superRefine(({ test, values }, context) => {
    for (const field of fieldTestCard(test)?.fields ?? []) {
      const problem = fieldProblem(field, values[field.slug]);
      if (problem) {
        context.addIssue({ code: 'custom', path: ['values', field.slug], message: problem });
      }
    }
  });
export type FieldTestInput = z.infer<typeof fieldTestInputSchema>;

export interface FieldTestFigure {
  slug: string;
  value: number;
  unit: string | null;
  digits: number;
}

export interface FieldTestResult {
  figures: FieldTestFigure[];
  /** Slug of the verdict within the test's words. */
  verdict: string;
  /** Answers; `unsure` where the sample is short or the reading lies between the limits. */
  signs: Record<string, boolean | 'unsure'>;
}

interface Readings {
  number: (slug: string) => number;
  series: (slug: string) => readonly number[];
  yes: (slug: string) => boolean;
  /** `undefined` while it cannot be read yet. */
  later: (slug: string) => boolean | undefined;
}

type Evaluate = (at: Readings, main: GrassSlug, card: FieldTestCard) => FieldTestResult;

const figure = (slug: string, value: number, unit: string | null, digits = 1): FieldTestFigure => ({
  slug,
  value,
  unit,
  digits,
});
const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / values.length;
function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return sorted.length % 2 === 1
    ? sorted[Math.floor(middle)]!
    : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
/** An answer that a short sample may not give. */
const whenWhole = (
  card: FieldTestCard,
  slug: string,
  values: readonly number[],
  answer: boolean | 'unsure',
): boolean | 'unsure' =>
  values.length >= card.fields.find((field) => field.slug === slug)!.samples ? answer : 'unsure';

/** Mean depth, lowest-quarter uniformity and Christiansen's coefficient of catch cans. */
export function canUniformity(depths: readonly number[]): {
  mean: number;
  distribution: number;
  christiansen: number;
} {
  const average = mean(depths);
  const sorted = [...depths].sort((a, b) => a - b);
  const lowest = sorted.slice(0, Math.max(1, Math.round(depths.length / 4)));
  const deviation = mean(depths.map((depth) => Math.abs(depth - average)));
  return {
    mean: average,
    distribution: average > 0 ? mean(lowest) / average : 0,
    christiansen: average > 0 ? 1 - deviation / average : 0,
  };
}

const evaluators: Record<string, Evaluate> = {
  tug: (at) => {
    const holds = at.number('lifts') < limits.tugLifts;
    return { figures: [], verdict: holds ? 'holds' : 'lifts', signs: { 't-tug': holds } };
  },
  crown: (at) => {
    const alive = at.number('alive');
    const state =
      alive >= limits.crownAlive ? 'alive' : alive <= limits.crownDead ? 'dead' : 'mixed';
    return {
      figures: [],
      verdict: state,
      signs: {
        'h-crown-firm': state === 'mixed' ? 'unsure' : state === 'alive',
        'h-crown-dead': state === 'mixed' ? 'unsure' : state === 'dead',
      },
    };
  },
  plug: (at) => {
    const alive = at.number('regrown') > 0;
    const valid = alive || at.yes('control');
    return {
      figures: [],
      verdict: alive ? 'alive' : valid ? 'dead' : 'void',
      signs: { 't-plug-alive': valid ? alive : 'unsure' },
    };
  },
  footprint: (at) => {
    const lost = at.number('visible') >= limits.footprintSeconds;
    return {
      figures: [],
      verdict: lost || at.yes('folded') ? 'wilting' : 'turgid',
      signs: {
        's-footprints': lost,
        's-leaf-fold': at.yes('folded'),
        's-col-bluegray': at.yes('bluegray'),
      },
    };
  },
  rewet: (at) => {
    const gallons = ((at.number('side') ** 2 * limits.rewetIn) / 12) * GALLONS_PER_CUBIC_FOOT;
    const revived = at.later('revived');
    return {
      figures: [figure('water', gallons, 'gal')],
      verdict:
        revived === undefined
          ? 'wait'
          : revived
            ? 'drought'
            : at.later('moist')
              ? 'other-cause'
              : 'repellent',
      signs: { ...(revived === undefined ? {} : { 't-rewet': revived }) },
    };
  },
  drop: (at, _main, card) => {
    const slowest = Math.max(...at.series('seconds'));
    const state =
      slowest > limits.dropStrongSeconds
        ? 'strong'
        : slowest >= limits.dropSlightSeconds
          ? 'slight'
          : 'wettable';
    const no = whenWhole(card, 'seconds', at.series('seconds'), false);
    return {
      figures: [figure('slowest', slowest, 's', 0)],
      verdict: state,
      signs: { 'h-repel': state === 'strong' ? true : state === 'slight' ? 'unsure' : no },
    };
  },
  moisture: (at) => {
    const state = at.yes('drips') ? 'wet' : at.yes('crumbles') ? 'dry' : 'moist';
    return {
      figures: [],
      verdict: state,
      signs: { 'h-soil-dry': state === 'dry', 'h-soil-wet': state === 'wet' },
    };
  },
  probe: (at, _main, card) => {
    const depths = at.series('depths');
    const middle = median(depths);
    const state =
      middle < limits.probe.compactedIn
        ? 'stops'
        : middle < limits.probe.easyIn
          ? 'between'
          : 'easy';
    return {
      figures: [figure('median', middle, 'in')],
      verdict: state,
      signs: {
        'h-probe-stop':
          state === 'between' ? 'unsure' : whenWhole(card, 'depths', depths, state === 'stops'),
      },
    };
  },
  billbug: (at, main) => {
    const perFt2 = at.number('larvae') / at.number('area');
    const situation = /^(bermuda|zoysia)/.test(main) ? 'zoysia-or-bermuda' : 'cool-season';
    const low = testThresholds.find(
      (row) => row.test === 'T8' && row.situation === situation,
    )!.low!;
    return {
      figures: [figure('perFt2', perFt2, 'per ft²'), figure('limit', low, 'per ft²', 0)],
      verdict: perFt2 >= low ? 'treat-next-year' : perFt2 < low / 2 ? 'below' : 'sample-more',
      signs: {
        't-billbug': perFt2 >= low ? true : perFt2 < low / 2 ? false : 'unsure',
        'h-sawdust': at.number('frass') >= limits.billbugFrassOf20,
      },
    };
  },
  'ph-spots': (at, main, card) => {
    const best = at.number('best');
    const poor = at.series('poor');
    const farthest = poor.reduce((most, value) =>
      Math.abs(value - best) > Math.abs(most - best) ? value : most,
    );
    const apart = Math.abs(farthest - best);
    const range = grass(main).ph?.ok;
    const low = range ? Math.min(...poor) < range[0] : 'unsure';
    const high = Math.max(...poor) > limits.highPh;
    return {
      figures: [figure('apart', apart, 'pH'), figure('farthest', farthest, 'pH')],
      verdict:
        apart <= phSpots.kitError ? 'same' : apart >= phSpots.findingAt ? 'finding' : 'repeat',
      signs: {
        't-ph-low': low === false ? whenWhole(card, 'poor', poor, false) : low,
        't-ph-high': high ? true : whenWhole(card, 'poor', poor, false),
      },
    };
  },
  salt: (at) => {
    const paste = at.number('reading') * limits.saltPasteFactor;
    const state =
      paste >= limits.saltHighDsM ? 'high' : paste > limits.saltNormalDsM ? 'between' : 'normal';
    return {
      figures: [figure('paste', paste, 'dS/m')],
      verdict: state,
      signs: { 't-ec-high': state === 'high' ? true : state === 'normal' ? false : 'unsure' },
    };
  },
  'catch-cans': (at, _main, card) => {
    const depths = at.series('depths');
    const { mean: average, distribution, christiansen } = canUniformity(depths);
    const share = average > 0 ? at.number('patch') / average : 0;
    const gap = share < limits.cans.patchShare;
    return {
      figures: [
        figure('mean', average, 'in', 2),
        figure('distribution', distribution, null, 2),
        figure('christiansen', christiansen, null, 2),
        figure('rate', average > 0 ? (average * 60) / at.number('minutes') : 0, 'in/h', 2),
        figure('inch', average > 0 ? at.number('minutes') / average : 0, 'min', 0),
        figure('share', share * 100, '%', 0),
      ],
      verdict: gap ? 'gap' : distribution < limits.cans.uniformity ? 'uneven' : 'even',
      signs: { 't-cup-low': gap ? true : whenWhole(card, 'depths', depths, false) },
    };
  },
  'soil-temperature': (at, _main, card) => {
    const difference = mean(at.series('green')) - mean(at.series('rest'));
    const warmer = difference >= limits.greenWarmerF;
    const whole =
      whenWhole(card, 'green', at.series('green'), true) === true &&
      whenWhole(card, 'rest', at.series('rest'), true) === true;
    return {
      figures: [figure('difference', difference, '°F')],
      verdict: warmer ? 'warmer' : 'alike',
      signs: { 't-soiltemp': whole ? warmer : 'unsure' },
    };
  },
  thatch: (at, main, card) => {
    const depths = at.series('depths');
    const average = mean(depths);
    return {
      figures: [figure('mean', average, 'in', 2)],
      verdict: thatchVerdict(average, main),
      signs: { 'h-thatch': whenWhole(card, 'depths', depths, average > limits.thatchSignIn) },
    };
  },
  dawn: (at) => {
    const threads = at.yes('threads') && !at.yes('webs');
    return {
      figures: [],
      verdict: threads ? 'threads' : at.yes('webs') ? 'webs' : 'none',
      signs: { 'h-mycelium': threads },
    };
  },
  bag: (at) => ({
    figures: [],
    verdict: at.yes('pink') ? 'pink' : at.yes('growth') ? 'growth' : 'none',
    signs: { 't-bag': at.yes('growth'), ...(at.yes('pink') ? { 'h-mycelium-pink': true } : {}) },
  }),
  'paper-tap': (at, _main, card) => {
    const taps = at.series('specks');
    const most = Math.max(...taps);
    return {
      figures: [figure('most', most, null, 0)],
      verdict: most >= limits.specksATap ? 'mites' : most > 0 ? 'few' : 'none',
      signs: {
        't-mites':
          most >= limits.specksATap
            ? true
            : most > 0
              ? 'unsure'
              : whenWhole(card, 'specks', taps, false),
      },
    };
  },
  'urine-clues': (at) => {
    const clues = ['round', 'straw', 'ring', 'route', 'dog'].filter((slug) => at.yes(slug)).length;
    return {
      figures: [figure('clues', clues, null, 0)],
      verdict:
        clues >= limits.urineClues.certain
          ? 'nearly-certain'
          : clues >= limits.urineClues.compare
            ? 'compare'
            : 'unlikely',
      signs: {
        'k-green-halo': at.yes('ring'),
        'k-loc-door-dog': at.yes('route'),
        'c-dog': at.yes('dog'),
      },
    };
  },
  'run-width': (at) => {
    const width = at.number('width');
    const [least, most] = limits.voleRunIn;
    const verdict =
      at.number('ridge') >= limits.moleRidgeIn
        ? 'mole'
        : at.number('ridge') > 0
          ? 'mole-cricket'
          : width >= least && width <= most
            ? at.yes('pellets')
              ? 'vole'
              : 'likely-vole'
            : 'other';
    return { figures: [], verdict, signs: { 'k-pat-runs': verdict !== 'other' } };
  },
  'test-strips': (at) => {
    const thousands = (at.number('width') * at.number('length')) / 1000;
    const { ironOzPer1000, ferrousSulfateFe, nitrogenLbPer1000, ureaN } = limits.strip;
    const iron = at.later('iron');
    const nitrogen = at.later('nitrogen');
    return {
      figures: [
        figure(
          'ferrousSulfate',
          ((thousands * ironOzPer1000) / ferrousSulfateFe) * GRAMS_PER_OUNCE,
          'g',
        ),
        figure('urea', ((thousands * nitrogenLbPer1000) / ureaN) * OUNCES_PER_POUND, 'oz', 2),
      ],
      verdict:
        iron === undefined && nitrogen === undefined
          ? 'wait'
          : iron && nitrogen
            ? 'both'
            : iron
              ? 'iron'
              : nitrogen
                ? 'nitrogen'
                : 'neither',
      signs: {
        ...(iron === undefined ? {} : { 't-iron-strip': iron }),
        ...(nitrogen === undefined ? {} : { 't-n-strip': nitrogen }),
      },
    };
  },
  'percent-cover': (at) => {
    const points = at.number('points');
    const hits = Math.min(points, at.number('hits'));
    const share = coverRule.effectiveShare;
    const [low, high] = wilsonInterval(hits * share, points * share, coverRule.z);
    return {
      figures: [
        figure('cover', (hits / points) * 100, '%', 0),
        figure('low', low * 100, '%', 0),
        figure('high', high * 100, '%', 0),
      ],
      verdict:
        high < coverRule.renovateBelow
          ? 'renovate'
          : low > coverRule.renovateBelow
            ? 'overseed'
            : 'count-more',
      signs: {},
    };
  },
  bioassay: (at) => {
    const share = at.number('treated') / at.number('clean');
    return {
      figures: [figure('share', share * 100, '%', 0)],
      verdict: share < limits.bioassayShare ? 'wait' : 'safe',
      signs: {},
    };
  },
};

/**
 * What a field test says: its figures, its verdict and the signs it answers.
 * @param main the grass that the limits depend on
 * @returns `null` for a test whose readings are not whole, or that has no arithmetic of its own
 */
export function fieldTestResult(input: FieldTestInput, main: GrassSlug): FieldTestResult | null {
  const entry = fieldTestCard(input.test);
  const evaluate = evaluators[input.test];
  if (!entry || !evaluate || !fieldTestInputSchema.safeParse(input).success) return null;
  const { values } = input;
  return evaluate(
    {
      number: (slug) => values[slug] as number,
      series: (slug) => values[slug] as number[],
      yes: (slug) => values[slug] === true,
      later: (slug) => values[slug] as boolean | undefined,
    },
    main,
    entry,
  );
}
