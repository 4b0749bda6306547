import type { EmergenceWindow } from '../knowledge';
import { carrierVolume, mixComponents } from '../rates';
import { addDays, daysBetween, yearOf } from '../units';
import { chooseMix, targetControl, type Target } from '../choice/chooseMix';
import { highestAir } from '../choice/sprayDay';
import { controlRows, question, sprayGates } from './sprayQuestion';
import type { SeedStep, SprayStep, Unmet } from './step';
import { earlier } from '../choice/window';
import { nextWindow, type ZoneCase } from '../choice/zoneCase';
import { stateOf } from './step';

/** The pre-emergent of one emergence group, with and without the seeding in its way. */
export function preventStep(
  zoneCase: ZoneCase,
  group: EmergenceWindow,
  seed: SeedStep | null,
): { step: SprayStep | null; clash: { waitWeeks: number; weeks: number } | null; unmet: Unmet[] } {
  const { input, zone, season, areaFt2, shelf } = zoneCase;
  const weeds = zoneCase.weeds.filter(({ weed }) => group.weeds.includes(weed));
  const window = nextWindow(season, group, input.today);
  const nothing = { step: null, clash: null, unmet: [] };
  if (weeds.length === 0 || !window) return nothing;
  const targets: Target[] = weeds.map(({ weed }) => ({ weed, targetPct: targetControl(weed) }));
  const airHighF = highestAir(season, window.best, earlier(addDays(window.best, 3), window.closes));
  const ask = (withSeed: SeedStep | null) =>
    chooseMix(
      question(zoneCase, 'pre', targets, window.best, withSeed, {
        treatedFt2: areaFt2,
        airHighF,
        coverWeeks: group.coverWeeks,
      }),
    );
  const beside = ask(seed);
  const alone = beside.best ? beside : ask(null);
  if (!alone.best) {
    return {
      ...nothing,
      unmet: weeds.map(({ weed }) => ({
        zoneId: zone.id,
        weed,
        reason: { rule: 'prevent-no-product', inputs: { group: group.slug } },
      })),
    };
  }
  const products = alone.best.products;
  const step: SprayStep = {
    id: `${zone.id}:prevent:${group.slug}:${yearOf(window.best)}`,
    kind: 'prevent',
    zoneId: zone.id,
    group: group.slug,
    window,
    state: stateOf(window, input.today),
    areaFt2,
    method: 'zone',
    products,
    walks: 1,
    intervalDays: alone.best.minIntervalDays,
    carrierGalPer1000: carrierVolume(products, 'pre', shelf),
    control: controlRows(alone, targets),
    testSpot: false,
    gates: sprayGates(products, 'pre', shelf),
    because: [
      {
        rule: 'prevent-before-germination',
        inputs: {
          group: group.slug,
          opensF: group.opensF,
          closesF: group.closesF,
          direction: group.direction,
        },
      },
      ...(alone.best.reaches ? [] : [{ rule: 'control-suppression', inputs: {} }]),
      ...(seed && beside.best
        ? [{ rule: 'prevent-leaves-seeding', inputs: { seedOn: seed.window.best } }]
        : []),
    ],
    excluded: beside.excluded,
  };
  if (beside.best || !seed) return { step, clash: null, unmet: [] };
  const wait = Math.max(
    ...mixComponents(products, shelf).map(({ product }) => product.waitBeforeSeedingWeeks[1]),
  );
  return {
    step,
    clash: { waitWeeks: wait, weeks: Math.round(daysBetween(window.best, seed.window.best) / 7) },
    unmet: [],
  };
}
