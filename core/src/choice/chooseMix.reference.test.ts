/**
 * Twenty treatment cases worked by an independent enumeration over the same tables (values from
 * memory, costs invented): product, rate, control, cost and exclusions must come out alike.
 */
import cases from './testdata/treatmentCases.json';
import { herbicide, type GrassSlug, type ToleranceCondition } from '../knowledge';
import { chooseMix, type MixAnswer, type MixQuestion } from './chooseMix';
import { LIBRARY } from '../products';
import { plainMix } from './testdata/testMix';

const RULE: Record<string, string> = {
  'R01-turf': 'R01',
  'R01-recipe-over-cap': 'R01',
  'R02-site': 'R02',
  'R03-too-hot': 'R03',
  'R04-too-cold': 'R04',
  'R05-drought': 'R05',
  'R06-needs-moist-soil': 'R06',
  'R07-seeding-wait': 'R07',
  'R08-seedlings': 'R08',
  'R09-root-zone': 'R09',
  'R10-label-unconfirmed': 'R10',
  'R11-vapour': 'R11',
  'R12-no-use': 'R12',
  'R13-restricted-use': 'R13',
};

interface CaseInput {
  id: string;
  mode: string;
  treated_area_ft2: number;
  turf_desirable: string[];
  weeds: string[];
  targets_pct: Record<string, number>;
  air_high_f: number;
  moisture: string;
  conditions: string[];
  tree_roots_or_beds: boolean;
  growth_stage: Record<string, string>;
  weeks_to_seeding: number | null;
  weeks_since_seedling_emergence: number | null;
  residential: boolean;
  rup_licence: boolean;
  walks: number;
  truck_stock: string[];
}
interface CaseExpected {
  decision: string;
  excluded: Record<string, string[]>;
  products_per_walk?: { herbicide: string; rate_per_acre: number }[];
  expected_control_pct?: Record<string, number>;
  total_cost_usd?: number;
}
const workedCases = cases as unknown as { input: CaseInput; expected: CaseExpected }[];

function ask(input: CaseInput): MixAnswer {
  const conditions = new Set(input.conditions as ToleranceCondition[]);
  if (input.air_high_f > 85) conditions.add('air>85F');
  if (input.moisture === 'drought') conditions.add('drought');
  const question: MixQuestion = {
    shelf: LIBRARY,
    mode: input.mode as 'pre' | 'post',
    grasses: input.turf_desirable.map((slug) =>
      slug === 'zoysia' ? 'zoysia-wide' : slug,
    ) as GrassSlug[],
    targets: input.weeds.map((weed) => {
      const stage = input.growth_stage[weed];
      return {
        weed,
        targetPct: input.targets_pct[weed] as number,
        ...(stage ? { stage } : {}),
      };
    }),
    treatedFt2: input.treated_area_ft2,
    airHighF: input.air_high_f,
    conditions,
    drought: input.moisture === 'drought',
    treeRoots: input.tree_roots_or_beds,
    sensitivePlants: false,
    weeksToSeeding: input.weeks_to_seeding,
    weeksSinceEmergence: input.weeks_since_seedling_emergence,
    residential: input.residential,
    certified: input.rup_licence,
    confirmedLabels: new Set(),
    walks: input.walks,
    stock: new Set(input.truck_stock),
  };
  return chooseMix(question);
}

/** The cases list a recipe by its components. */
function components(products: { herbicide: string; ratePerAcre: number }[]) {
  return products
    .flatMap(({ herbicide: slug, ratePerAcre }) => {
      const recipe = herbicide(slug)?.tankMix;
      return recipe
        ? recipe.map((part) => [part.herbicide, part.ratePerAcre * ratePerAcre] as const)
        : [[slug, ratePerAcre] as const];
    })
    .sort();
}

it.each(workedCases.map((c) => [c.input.id, c] as const))('%s', (_, { input, expected }) => {
  const answer = ask(input);
  // The reference stops at "no use" only when nothing else speaks against a product; we keep both.
  const rules = Object.fromEntries(
    answer.excluded.map(({ herbicide: slug, reasons }) => {
      const codes = reasons.map(({ rule }) => RULE[rule]);
      return [slug, codes.length > 1 ? codes.filter((code) => code !== 'R12') : codes];
    }),
  );
  const wanted = Object.fromEntries(
    Object.entries(expected.excluded).map(([slug, codes]) => [
      slug,
      codes.map((code) => code.slice(0, 3)),
    ]),
  );
  expect(rules).toEqual(wanted);
  if (expected.decision !== 'treat') {
    expect(answer.best?.reaches ?? false).toBe(false);
    return;
  }
  expect(answer.best?.reaches).toBe(true);
  expect(components(answer.best?.products ?? [])).toEqual(
    (expected.products_per_walk ?? []).map((p) => [p.herbicide, p.rate_per_acre]).sort(),
  );
  for (const [weed, pct] of Object.entries(expected.expected_control_pct ?? {})) {
    expect(Math.abs((answer.best?.control[weed] as number) - pct)).toBeLessThan(0.5);
  }
  expect(answer.best?.totalUsdInvented).toBeCloseTo(expected.total_cost_usd ?? NaN, 1);
});

describe('two of one mode of action', () => {
  const asked = (stock: string[]) =>
    chooseMix(
      plainMix({
        targets: [{ weed: 'large-crabgrass', targetPct: 99.9 }],
        airHighF: 75,
        stock: new Set(stock),
      }),
    ).best?.products.map(({ herbicide: slug }) => slug);
  it('never share a tank as if they were independent; another mode may join', () => {
    expect(asked(['mesotrione', 'topramezone'])).toHaveLength(1);
    expect(asked(['quinclorac', 'topramezone'])?.sort()).toEqual(['quinclorac', 'topramezone']);
  });
  it('are no surer together: auxins, too, stand each alone', () => {
    const control = (stock: string[], weeds: string[]) =>
      chooseMix(
        plainMix({
          targets: weeds.map((weed) => ({ weed, targetPct: 80 })),
          airHighF: 75,
          stock: new Set(stock),
        }),
      ).best!;
    const pair = ['dicamba', 'mcpa'];
    const weeds = ['white-clover', 'broadleaf-plantain'];
    const both = control(pair, weeds);
    expect(both.products).toHaveLength(1);
    const alone = pair.map((slug) => control([slug], weeds).control);
    for (const weed of weeds) {
      expect(both.control[weed]!).toBeLessThanOrEqual(Math.max(...alone.map((own) => own[weed]!)));
    }
  });
});
