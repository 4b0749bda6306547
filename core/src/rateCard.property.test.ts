/**
 * The rate card against the judge and the plan, over random lawns and days: what it lets go breaks no rule of the
 * checker, and it lets go what the plan lays. It stands above the floors, since neither may know the other.
 */
import fc from 'fast-check';
import {
  applicationsOf,
  grassSlugSchema,
  localDate,
  zoneArea,
  type Application,
  type Material,
} from './index';
import { checkApplication, type CheckContext } from './checker';
import { judgeContext } from './judging';
import { planSeason, rateCard, zoneCaseOf, type RateCardRow } from './planning';
import { SQUARE_FEET_PER_ACRE } from './units';
import { cases } from './units/testdata/cases';
import { anyLawn, dayOf, inputOf, lawnOf } from './testdata/anyLawn';

/** A row put down whole, at its rate. */
function putDown(
  row: RateCardRow,
  zone: { id: string },
  areaFt2: number,
  date: string,
): Application {
  const amount = (row.ratePerAcre! * areaFt2) / SQUARE_FEET_PER_ACRE;
  return {
    id: 'card',
    zoneId: zone.id,
    date,
    areaFt2,
    materials: [{ kind: row.kind, slug: row.slug, amount, unit: row.unit } as Material],
  };
}

it('lets nothing go that the judge would call an exceedance', () => {
  let gone = 0;
  fc.assert(
    fc.property(anyLawn, (sample) => {
      const { input, zone, records } = inputOf(sample);
      const zoneCase = zoneCaseOf(input, zone);
      const card = rateCard(zoneCase);
      for (const row of card.rows) {
        if (row.ratePerAcre === null || row.unit === '') continue;
        // A record names the grasses of a mix one by one.
        if (row.kind === 'seed' && !grassSlugSchema.safeParse(row.slug).success) continue;
        gone += 1;
        const application = putDown(row, zone, zoneArea(zone), card.date);
        const context: CheckContext = {
          ...judgeContext(lawnOf(sample, zone), application, {
            others: records,
            policy: input.policy,
            samples: [],
          })!,
          ...dayOf(zoneCase.season, localDate(card.date)),
          ...(card.drought ? { drought: true } : {}),
        };
        const over = checkApplication(application, context).filter(
          ({ severity }) => severity === 'exceeds',
        );
        expect({ row: row.slug, verdict: row.verdict, rate: row.ratePerAcre, over }).toMatchObject({
          over: [],
        });
      }
    }),
    { ...cases(60), seed: 20261128 },
  );
  expect(gone).toBeGreaterThan(1000);
});

it('lets go on its day what the plan lays over a whole zone', () => {
  let laid = 0;
  fc.assert(
    fc.property(anyLawn, (sample) => {
      const { input, zone } = inputOf(sample);
      for (const step of planSeason(input).steps) {
        if (step.kind === 'look-again' || step.kind === 'seed') continue;
        if (step.kind === 'control' && (step.kill || step.method === 'spot')) continue;
        // The card of that day does not know yet that it is sown.
        if (step.kind === 'feed' && step.slot === 'starter') continue;
        const card = rateCard(zoneCaseOf(input, zone), step.window.best);
        const [application] = applicationsOf(step);
        for (const { kind, slug, amount } of application!.materials) {
          laid += 1;
          const row = card.rows.find((own) => own.kind === kind && own.slug === slug)!;
          const perAcre = (amount * SQUARE_FEET_PER_ACRE) / application!.areaFt2;
          expect({ step: step.id, row, perAcre }).toMatchObject({
            row: { verdict: expect.stringMatching(/^(rate|light)$/) as string },
          });
          expect(perAcre).toBeLessThanOrEqual(row.ratePerAcre! * 1.001);
        }
      }
    }),
    { ...cases(30), seed: 3 },
  );
  expect(laid).toBeGreaterThan(20);
});
