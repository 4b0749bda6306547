/**
 * The planner against its judge: over random lawns, weathers, findings and records, nothing that is
 * planned breaks a rule of the checker. It stands above both floors, since neither may know the other.
 */
import fc from 'fast-check';
import { addDays, applicationsOf, localDate, zoneArea } from './index';
import { checkApplication, type CheckContext } from './checker';
import { judgeContext } from './judging';
import { lawnSeason, lookAhead } from './planning';
import { anyLawn, dayOf, inputOf, lawnOf, type AnyLawn } from './testdata/anyLawn';
import type { Near } from './needs';
import { cases } from './units/testdata/cases';
import type { SoilSeason } from './weather';

/** Wells and open water a foot inside what they ask for, for every other lawn. */
const nearOf = ({ seed }: AnyLawn) =>
  [{}, { wellFt: 49 }, {}, { wellFt: 10, waterFt: 24 }][seed % 4] as Near;

function planOf(sample: AnyLawn) {
  const { zone, records, weather, history, ...rest } = inputOf(sample);
  const request = { ...rest.request, property: [{ zoneId: zone.id, ...nearOf(sample) }] };
  const first = lawnSeason(request, weather, [], records, history);
  const { choose } = sample;
  const choices = choose
    ? Object.fromEntries(first.season.clashes.map(({ id }) => [id, choose]))
    : {};
  const { season, soil } = lawnSeason({ ...request, choices }, weather, [], records, history);
  return { zone, records, season, request, soil: soil.get(zone.id) as SoilSeason };
}

it('never plans what the checker would call an exceedance', () => {
  fc.assert(
    fc.property(anyLawn, (sample) => {
      const { zone, records, season, soil, request } = planOf(sample);
      const all = [...records, ...season.steps.flatMap((step) => applicationsOf(step))];
      for (const step of season.steps) {
        for (const application of applicationsOf(step)) {
          const context: CheckContext = {
            ...judgeContext(lawnOf(sample, zone), application, {
              others: all,
              policy: request.policy,
              samples: [],
            })!,
            ...dayOf(soil, localDate(application.date)),
            ...nearOf(sample),
            kill: step.kind === 'control' && step.kill === true,
          };
          const over = checkApplication(application, context).filter(
            ({ severity }) => severity === 'exceeds',
          );
          expect({ step: step.id, window: step.window, over }).toMatchObject({ over: [] });
        }
      }
    }),
    { ...cases(100), seed: 20261125 },
  );
});

it('keeps every limit in the years ahead, too', () => {
  let later = 0;
  fc.assert(
    fc.property(anyLawn, (sample) => {
      const { zone, records, weather, history, request } = inputOf(sample);
      const { season } = lookAhead(request, weather, [], records, history);
      const end = addDays(request.today, 365);
      // What was sown has grown in by then.
      const sown = season.steps.flatMap((step) => (step.kind === 'seed' ? [step.species] : []));
      const bare = 1 - zone.stand.reduce((sum, { cover }) => sum + cover, 0);
      const grown = [...zone.stand, ...sown.map((species) => ({ species, cover: bare }))];
      const all = [...records, ...season.steps.flatMap((step) => applicationsOf(step))];
      for (const step of season.steps.filter(({ window }) => window.best > end)) {
        later += 1;
        for (const application of applicationsOf(step)) {
          const lawn = lawnOf(sample, { ...zone, stand: grown });
          const context = judgeContext(lawn, application, {
            others: all,
            policy: request.policy,
            samples: [],
            kill: step.kind === 'control' && step.kill === true,
          })!;
          const over = checkApplication(application, context).filter(
            ({ severity }) => severity === 'exceeds',
          );
          expect({ step: step.id, window: step.window, over }).toMatchObject({ over: [] });
        }
      }
    }),
    { ...cases(40), seed: 20261201 },
  );
  expect(later).toBeGreaterThan(100);
});

it('keeps the turf and the heat safe on the first and the last day of every spray window', () => {
  fc.assert(
    fc.property(anyLawn, (sample) => {
      const { zone, season, soil } = planOf(sample);
      for (const step of season.steps) {
        if (step.kind !== 'control' || step.kill) continue;
        for (const day of [step.window.opens, step.window.closes]) {
          for (const application of applicationsOf(step, day)) {
            const findings = checkApplication(application, {
              stand: zone.stand,
              desired: zone.desired,
              zoneFt2: zoneArea(zone),
              others: [],
              ...dayOf(soil, day),
            });
            const unsafe = findings.filter(
              ({ rule }) =>
                rule === 'too-hot' || rule === 'turf-not-tolerant' || rule.startsWith('rate-'),
            );
            expect({ step: step.id, day, unsafe }).toMatchObject({ unsafe: [] });
          }
        }
      }
    }),
    { ...cases(40), seed: 7 },
  );
});

it('never plans seed and a pre-emergent that shut each other out, and holds both until one is picked', () => {
  let clashes = 0;
  fc.assert(
    fc.property(anyLawn, (sample) => {
      const { season } = planOf({ ...sample, choose: null });
      for (const clash of season.clashes) {
        clashes += 1;
        expect(clash.choice).toBeNull();
        const ids = season.steps.map(({ id }) => id);
        expect(ids).not.toContain(clash.seed.id);
        expect(ids).not.toContain(clash.prevent.id);
      }
    }),
    { ...cases(50), seed: 11 },
  );
  expect(clashes).toBeGreaterThan(5);
});
