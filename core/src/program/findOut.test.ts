import { soilTests } from '../knowledge/soilTests';
import { seasonRequestSchema, type SeasonRequest } from '../needs/seasonInput';
import { testZone } from './testdata/testLawn';
import { addDays, localDate, type LocalDate } from '../units';
import { measureFirst, soilTest } from '../courses/findOut';
import { testWeather } from '../weather/testdata/testWeather';
import { lawnSeason } from './lawnSeason';

const TODAY = localDate('2026-05-20');
const zone = testZone(1, [{ species: 'tall-fescue', cover: 0.9 }]);
const small = testZone(2, [{ species: 'tall-fescue', cover: 0.9 }], { width: 20, length: 19 });
const ask = (fields: Partial<SeasonRequest> = {}, meanF: number[] | null = null) => ({
  ...seasonRequestSchema.parse({ today: TODAY, region: 'transition', zones: [zone, small] }),
  ...fields,
  soil: new Map(
    meanF
      ? [[zone.id, { start: TODAY, today: TODAY, meanF, airHighF: meanF, airLowF: meanF } as never]]
      : [],
  ),
  records: [],
  rain10DaysIn: 0,
});
const report = (reportedOn: LocalDate) => ({
  reportedOn,
  ph: 6.2,
  bufferPh: null,
  bufferMethod: null,
  extractant: 'mehlich-3' as const,
  phosphorusPpm: 20,
  potassiumPpm: 90,
  magnesiumPpm: null,
  calciumPpm: null,
  sulfurPpm: null,
  organicMatterPct: null,
  salinityDsM: null,
});
const bag = (date: LocalDate, reportedOn: LocalDate | null = null) => ({
  zoneId: zone.id,
  date,
  report: reportedOn && report(reportedOn),
});
const soil = (...soilReports: ReturnType<typeof bag>[]) => {
  const { needs, byHand } = soilTest(ask({ soilReports }));
  return { need: needs[0]!, work: byHand };
};

describe('the soil test', () => {
  it('is taken on the largest zone of a lawn that has none', () => {
    const { need, work } = soil();
    expect(need).toMatchObject({
      id: 'find:soil:lawn:2026',
      state: 'planned',
      reason: { rule: 'soil-untested' },
    });
    expect(work).toEqual([
      expect.objectContaining({ kind: 'sample', zoneId: zone.id, opens: TODAY, need: need.id }),
    ]);
  });
  it('stands to its last day, and is taken again the day after', () => {
    const last = soil(bag(localDate('2023-05-01'), addDays(TODAY, -soilTests.standsDays)));
    expect(last.need).toMatchObject({ state: 'met', next: addDays(TODAY, 1) });
    expect(last.work).toEqual([]);
    const over = soil(bag(localDate('2023-05-01'), addDays(TODAY, -soilTests.standsDays - 1)));
    expect(over.need).toMatchObject({ state: 'planned', reason: { rule: 'soil-test-old' } });
    expect(over.work).toHaveLength(1);
  });
  it('waits for a bag that is on its way until it counts as lost', () => {
    const waiting = soil(bag(addDays(TODAY, -soilTests.lostDays)));
    expect(waiting.need).toMatchObject({ state: 'waiting', next: TODAY });
    expect(waiting.work).toEqual([]);
    expect(soil(bag(addDays(TODAY, -soilTests.lostDays - 1))).work).toHaveLength(1);
    // What lies in the days to come is not known today.
    expect(soil(bag(addDays(TODAY, 1))).work).toHaveLength(1);
  });
  it('waits for ground that is not frozen', () => {
    const [work] = soilTest(ask({}, [30, 31, 32, 33, 45])).byHand;
    expect(work?.opens).toBe(addDays(TODAY, 3));
  });
  it('is left where somebody said so, and asks nothing of a lawn whose grass nobody knows', () => {
    const { needs, byHand } = soilTest(
      ask({ decisions: [{ kind: 'not-here', needId: 'find:soil:lawn:2026' }] }),
    );
    expect([needs[0]?.state, byHand]).toEqual(['givenUp', []]);
    expect(soilTest(ask({ zones: [{ ...zone, stand: [], desired: [] }] })).needs).toEqual([]);
  });
});

describe('measuring', () => {
  const asked = (edges: 'confirmed' | 'assumed', method: 'tape' | 'sketch', of = zone) =>
    measureFirst(ask(), {
      ...of,
      edges: of.edges.map(() => edges),
      measure: { method, cornerSigmaFt: null },
    });
  it('comes first where the area is a guess, and not where it is known well enough', () => {
    // 60 by 50 ft: confirmed edges of a sketch are 11 % off either way, assumed ones 44 %.
    expect(asked('assumed', 'sketch').byHand).toMatchObject([{ kind: 'measure', opens: TODAY }]);
    expect(asked('assumed', 'sketch').needs[0]).toMatchObject({
      subject: 'area',
      reason: { rule: 'measure-first', inputs: { errorPct: 44 } },
    });
    expect(asked('confirmed', 'sketch').needs).toEqual([]);
    // 20 by 19 ft lie 21 % off by eye; the tape knows them.
    expect(asked('confirmed', 'sketch', small).needs).toHaveLength(1);
    expect(asked('confirmed', 'tape', small).needs).toEqual([]);
  });
});

it('gives plugs their starter where the law wants a reason for phosphorus, on a low test alone', () => {
  const plugged = testZone(3, [{ species: 'st-augustine', cover: 0.6 }]);
  const starters = (phosphorusPpm: number | null) =>
    lawnSeason(
      seasonRequestSchema.parse({
        today: '2026-04-08',
        region: 'south',
        zones: [plugged],
        policy: { ordinance: { phosphorusNeedsReason: true } },
        soilReports:
          phosphorusPpm === null
            ? []
            : [
                {
                  zoneId: plugged.id,
                  date: '2026-01-10',
                  report: { ...report(localDate('2026-01-20')), phosphorusPpm },
                },
              ],
      }),
      testWeather('south', 1, localDate('2026-04-08')),
      [],
      [],
    ).season.steps.filter((step) => step.kind === 'feed' && step.slot === 'starter').length;
  const line = soilTests.lowPhosphorusBelowPpm['mehlich-3'];
  expect([null, line, line - 1].map(starters)).toEqual([0, 0, 1]);
});
