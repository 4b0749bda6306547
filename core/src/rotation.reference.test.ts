/** Modes of action in turn: at most two a year and two years running (common practice; case W31). */
import { checkApplication } from './checker';
import { herbicide } from './knowledge';
import { chooseMix, type MixQuestion } from './choice/chooseMix';
import { chooseWalks } from './choice/chooseWalks';
import { Usage } from './choice/usage';
import type { Application } from './rates';
import { addDays, localDate, SQUARE_FEET_PER_ACRE } from './units';
import { LIBRARY } from './products';
import { plainMix } from './choice/testdata/testMix';

const FT2 = 5000;
const WEED = 'annual-bluegrass';
const put = (
  slug: string,
  date: string,
  targets = [WEED],
): Application & { targets: string[] } => ({
  id: `${slug} ${date}`,
  zoneId: 'z',
  date,
  areaFt2: FT2,
  targets,
  materials: [
    {
      kind: 'herbicide',
      slug,
      amount: ((herbicide(slug)!.rate[0] ?? herbicide(slug)!.rate[1]) * FT2) / SQUARE_FEET_PER_ACRE,
      unit: herbicide(slug)!.unit,
    },
  ],
});
const ask = (records: ReturnType<typeof put>[], fields: Partial<MixQuestion> = {}): MixQuestion =>
  plainMix({
    grasses: ['bermuda-hybrid'],
    targets: [{ weed: WEED, targetPct: 80 }],
    treatedFt2: FT2,
    airHighF: 62,
    certified: true,
    confirmedLabels: new Set(['flazasulfuron', 'trifloxysulfuron']),
    usage: { usage: Usage.of(records, LIBRARY), date: localDate('2026-01-20') },
    ...fields,
  });
const groupsOf = (slugs: readonly string[]) =>
  new Set(slugs.flatMap((slug) => herbicide(slug)!.hrac));

const TWO_YEARS = [put('foramsulfuron', '2024-02-10'), put('trifloxysulfuron', '2025-01-15')];

it('W31: after two years of group 2 alone the third is not of group 2 alone', () => {
  const ofTwo = new Set(['flazasulfuron', 'trifloxysulfuron']);
  const best = (answer: ReturnType<typeof chooseMix>) => [
    ...groupsOf((answer.best?.products ?? []).map(({ herbicide: slug }) => slug)),
  ];
  expect(best(chooseMix(ask([], { stock: ofTwo })))).toEqual(['2']);
  const barred = chooseMix(ask(TWO_YEARS, { stock: ofTwo }));
  expect(barred.best).toBeNull();
  expect(
    barred.excluded.find(({ herbicide: slug }) => slug === 'flazasulfuron')!.reasons,
  ).toContainEqual({ rule: 'R16-rotation', inputs: { mode: '2' } });
  const other = best(chooseMix(ask(TWO_YEARS, { stock: new Set([...ofTwo, 'simazine']) })));
  expect(other).toContain('5');
});
it('goes by the records that name the weed, in the years just before', () => {
  const usage = (records: ReturnType<typeof put>[]) =>
    Usage.of(records, LIBRARY).groupTurns('2', [WEED], localDate('2026-01-20'));
  expect(usage([])).toBe(2);
  expect(usage(TWO_YEARS)).toBe(0);
  expect(usage(TWO_YEARS.slice(1))).toBe(2);
  expect(usage([...TWO_YEARS, put('simazine', '2025-01-15')])).toBe(2);
  expect(usage(TWO_YEARS.map((own) => ({ ...own, targets: ['dandelion'] })))).toBe(2);
  expect(usage([put('foramsulfuron', '2026-01-02')])).toBe(1);
});
it('a programme of several walks keeps to the turns, and the checker has nothing to say of them', () => {
  for (const records of [[], TWO_YEARS, [put('foramsulfuron', '2026-01-02')]]) {
    const question = ask(records, { targets: [{ weed: WEED, targetPct: 95 }] });
    for (const option of chooseWalks(question).options) {
      const walks = option.walks.map((tank, index) => ({
        id: `w${index}`,
        zoneId: 'z',
        date: addDays(localDate('2026-01-20'), index * Math.max(1, option.minIntervalDays)),
        areaFt2: FT2,
        targets: [WEED],
        materials: tank.map(({ herbicide: slug, ratePerAcre }) => ({
          kind: 'herbicide' as const,
          slug,
          amount: (ratePerAcre * FT2) / SQUARE_FEET_PER_ACRE,
          unit: herbicide(slug)!.unit,
        })),
      }));
      const alone = walks.filter(
        ({ materials }) => groupsOf(materials.map(({ slug }) => slug)).size === 1,
      );
      expect(alone.length).toBeLessThanOrEqual(2);
      const rotation = checkApplication(walks[0]!, {
        stand: [{ species: 'bermuda-hybrid', cover: 1 }],
        desired: ['bermuda-hybrid'],
        zoneFt2: FT2,
        others: records,
      }).filter(({ rule }) => rule === 'rotation');
      expect(rotation).toEqual([]);
    }
  }
});
