import { localDate } from '../units';
import type { Risk } from '../weather/lawnRisk';
import { scoutAlerts, sightingsOf } from './scouting';

const today = localDate('2026-07-10');
const risk = (fields: Partial<Risk> = {}): Risk => ({
  problem: 'chinch-bug',
  days: [],
  worst: 'watch',
  host: 3,
  sighted: false,
  source: { kind: 'memory' },
  ...fields,
});
const alerts = (risks: Risk[], fields: object = {}) =>
  scoutAlerts(risks, { today, upkeep: 'standard', earlier: [], ...fields });

it('counts what was confirmed within three weeks, once, the latest day', () => {
  const decided = [
    { cause: 'chinch-bug', on: localDate('2026-07-01') },
    { cause: 'chinch-bug', on: localDate('2026-07-05') },
    { cause: 'armyworm', on: localDate('2026-06-01') },
    { cause: 'dog-urine', on: localDate('2026-07-05') },
    { cause: 'brown-patch', on: localDate('2026-07-12') },
  ];
  expect(sightingsOf(decided, today)).toEqual([{ problem: 'chinch-bug', on: '2026-07-05' }]);
});

it('sends nobody out for a mere watch, but does for a warning on a ready host', () => {
  expect(alerts([risk()])).toEqual([]);
  expect(alerts([risk({ worst: 'warn' })])).toHaveLength(1);
  expect(alerts([risk({ worst: 'low', sighted: true })])).toEqual([]);
});

it('goes where it was found last year and where a colleague saw it', () => {
  const earlier = [{ cause: 'chinch-bug', on: localDate('2025-08-01') }];
  expect(alerts([risk()], { earlier })[0]!.reasons).toEqual(['last-year']);
  expect(alerts([risk({ sighted: true })])[0]!.reasons).toEqual(['sighted']);
  const thisYear = [{ cause: 'chinch-bug', on: localDate('2026-05-01') }];
  expect(alerts([risk()], { earlier: thisYear })).toEqual([]);
});

it('puts the most pressing first, a showpiece before a standard lawn', () => {
  const both = alerts([
    risk({ worst: 'warn' }),
    risk({ problem: 'armyworm', worst: 'warn', sighted: true }),
  ]);
  expect(both.map(({ problem }) => problem)).toEqual(['armyworm', 'chinch-bug']);
  const [plain, kept] = ['standard', 'showpiece'].map(
    (upkeep) => alerts([risk({ worst: 'warn' })], { upkeep })[0]!.score,
  );
  expect(kept).toBeGreaterThan(plain!);
});
