import { lowPhosphorus, soilReportSchema } from './soilReport';

const report = (
  phosphorusPpm: number | null,
  extractant = 'mehlich-3',
  reportedOn = '2025-05-01',
) =>
  soilReportSchema.parse({
    reportedOn,
    ph: 6.4,
    bufferPh: null,
    bufferMethod: null,
    extractant,
    phosphorusPpm,
    potassiumPpm: null,
    magnesiumPpm: null,
    calciumPpm: null,
    sulfurPpm: null,
    organicMatterPct: null,
    salinityDsM: null,
  });
const low = (...reports: (ReturnType<typeof report> | null)[]) =>
  lowPhosphorus(
    reports.map((entry) => ({ zoneId: 'a', report: entry })),
    'a',
    '2026-04-08',
  );

it('reads the class by the extractant', () => {
  expect(low(report(20))).toBe(true);
  expect(low(report(20, 'bray-1'))).toBe(false);
  expect(low(report(12, 'olsen'))).toBe(true);
});
it('goes by the latest test that tells and is not too old, of this zone', () => {
  expect(low(report(10), report(60, 'mehlich-3', '2026-03-01'))).toBe(false);
  expect(low(report(10), report(null, 'mehlich-3', '2026-03-01'))).toBe(true);
  expect(low(report(10, 'mehlich-3', '2022-01-01'))).toBeUndefined();
  expect(low(report(10, 'mehlich-3', '2026-05-01'))).toBeUndefined();
  expect(low(null)).toBeUndefined();
  expect(lowPhosphorus([{ zoneId: 'b', report: report(10) }], 'a', '2026-04-08')).toBeUndefined();
});
