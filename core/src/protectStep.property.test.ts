/** Insects and diseases in the plan: windows and grades from memory, rotation common practice. */
import fc from 'fast-check';
import { checkApplication } from './checker';
import { causes, treatment } from './knowledge';
import { preventionWindows } from './knowledge/preventionWindows';
import { zoneArea } from './lawn';
import type { Application } from './rates';
import { cases } from './units/testdata/cases';
import { addDays, localDate, type LocalDate } from './units';
import { testWeather } from './weather/testdata/testWeather';
import { applicationsOf } from './courses/applicationsOf';
import { lawnSeason } from './program/lawnSeason';
import { seasonRequestSchema } from './needs/seasonInput';
import type { ProtectStep } from './courses/step';
import { testZone } from './program/testdata/testLawn';

const zone = testZone(1, [{ species: 'tall-fescue', cover: 0.9 }], { desired: ['tall-fescue'] });

function plan({
  today = '2026-05-20',
  cause,
  protect,
  history = [],
  records = [],
  policy = {},
}: {
  today?: string;
  cause?: string;
  protect?: 'treat' | 'prevent';
  history?: string[];
  records?: Application[];
  policy?: object;
}) {
  const day = localDate(today);
  const request = seasonRequestSchema.parse({
    today: day,
    region: 'transition',
    zones: [zone],
    findings: [
      { zoneId: zone.id, damages: cause ? [{ cause, ...(protect ? { protect } : {}) }] : [] },
    ],
    policy,
  });
  const { season } = lawnSeason(
    request,
    testWeather('transition', 1, day),
    [],
    records,
    new Map([[zone.id, history]]),
  );
  return {
    season,
    steps: season.steps.filter((step): step is ProtectStep => step.kind === 'protect'),
  };
}
const put = (slug: string, perAcre: number, date: string): Application => ({
  id: `${slug}-${date}`,
  zoneId: zone.id,
  date,
  areaFt2: zoneArea(zone),
  materials: [
    {
      kind: 'treatment',
      slug,
      amount: (perAcre * zoneArea(zone)) / 43_560,
      unit: treatment(slug)?.unit ?? 'oz',
    },
  ],
});

it('treats grubs that were found with what works on damage, at once', () => {
  const { steps } = plan({ today: '2026-08-25', cause: 'white-grub', protect: 'treat' });
  expect(steps).toHaveLength(1);
  const step = steps[0]!;
  expect(treatment(step.treatment)!.curative).toBeGreaterThan(0);
  expect(step.window.opens).toBe('2026-08-25');
  expect(step.total).toBeCloseTo((step.ratePerAcre * zoneArea(zone)) / 43_560, 9);
  expect(
    step.excluded.find(({ treatment: slug }) => slug === 'imidacloprid')?.reasons[0]?.rule,
  ).toBe('R12-not-curative');
});
it('prevents what was here before, in the window of the soil', () => {
  const { steps } = plan({ today: '2026-04-08', history: ['white-grub'] });
  const step = steps[0]!;
  expect(step.mode).toBe('preventive');
  expect(step.window.basis).toMatchObject({ kind: 'soil', direction: 'rising', thresholdF: 58 });
  expect(treatment(step.treatment)!.preventive).toBe(2);
});
it('plans nothing for what nobody decided, nor for what no product is for', () => {
  expect(plan({ cause: 'white-grub' }).steps).toEqual([]);
  expect(plan({ cause: 'dog-urine', protect: 'treat' }).steps).toEqual([]);
  const { steps, season } = plan({ cause: 'sta-mosaic-decline', protect: 'treat' });
  expect(steps).toEqual([]);
  expect(season.unmet.map(({ reason }) => reason.rule)).toEqual(['protect-no-product']);
});
it('takes the open label only when it was entered or confirmed', () => {
  const open = plan({ cause: 'chinch-bug', protect: 'treat' }).steps[0];
  expect(open?.treatment).not.toBe('bifenthrin');
  const confirmed = plan({
    cause: 'chinch-bug',
    protect: 'treat',
    policy: { confirmedLabels: ['bifenthrin'] },
  }).steps[0];
  expect(confirmed?.treatment).toBe('bifenthrin');
});
it('changes the mode of action against dollar spot', () => {
  const first = plan({ today: '2026-06-20', cause: 'dollar-spot', protect: 'treat' }).steps[0];
  const after = plan({
    today: '2026-06-20',
    cause: 'dollar-spot',
    protect: 'treat',
    records: [put('propiconazole', 60, '2026-05-25')],
  });
  expect(first?.treatment).toBe('propiconazole');
  expect(after.steps[0]?.treatment).not.toBe('propiconazole');
  expect(treatment(after.steps[0]?.treatment ?? '')?.group ?? 'none').not.toBe('3');
});
it('is done once it is on record', () => {
  const { steps } = plan({
    today: '2026-08-25',
    cause: 'white-grub',
    protect: 'treat',
    records: [put('trichlorfon', 100, '2026-08-24')],
  });
  expect(steps.find(({ treatment: slug }) => slug === 'trichlorfon')?.state ?? 'done').toBe('done');
});

it('plans nothing that the checker calls an exceedance', () => {
  const used = fc.record({
    slug: fc.constantFrom(
      'imidacloprid',
      'chlorantraniliprole',
      'propiconazole',
      'azoxystrobin',
      'spinosad',
    ),
    daysAgo: fc.integer({ min: 1, max: 200 }),
  });
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 330 }),
      fc.constantFrom(
        ...causes
          .filter(({ group }) => group === 'insect' || group === 'disease')
          .map(({ slug }) => slug),
      ),
      fc.constantFrom('treat' as const, 'prevent' as const),
      fc.array(fc.constantFrom(...preventionWindows.map(({ cause }) => cause)), { maxLength: 2 }),
      fc.array(used, { maxLength: 3 }),
      (offset, cause, protect, history, uses) => {
        const today = addDays(localDate('2026-01-10'), offset) as LocalDate;
        const records = uses.map(({ slug, daysAgo }) =>
          put(slug, treatment(slug)!.ratePerAcre![0], addDays(today, -daysAgo)),
        );
        const { steps } = plan({ today, cause, protect, history: [...new Set(history)], records });
        for (const step of steps) {
          const [application] = applicationsOf(step);
          const over = checkApplication(
            { ...application!, targets: [step.cause] },
            {
              stand: zone.stand,
              desired: zone.desired,
              zoneFt2: zoneArea(zone),
              others: records,
            },
          ).filter(({ severity }) => severity === 'exceeds');
          expect({ step: step.id, over }).toMatchObject({ over: [] });
        }
      },
    ),
    cases(30),
  );
});
