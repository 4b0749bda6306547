/** The laws of the plan over random lawns, beside obedience and the judge, which have files of their own. */
import fc from 'fast-check';
import { applicationsOf, cause as causeOf, daysBetween, monthInWindow, monthOf } from './index';
import { feedingRules } from './knowledge/nitrogen';
import { lawnSeasonInput, planSeason } from './planning';
import { anyLawn, inputOf, type AnyLawn } from './testdata/anyLawn';
import { testZone } from './program/testdata/testLawn';
import { cases } from './units/testdata/cases';
import type { Season, SeasonInput, Step, Zone } from './index';

const zoneOf = (input: SeasonInput): Zone => input.zones[0]!;

/** A drawn lawn with a second zone beside the first, in which other weeds grow. */
function twoZones(sample: AnyLawn, weeds: AnyLawn['weeds'], scale = 1) {
  const { request, weather, history } = inputOf(sample);
  const first = request.zones[0]!;
  const second = {
    ...testZone(2, [{ species: 'tall-fescue', cover: 0.9 }], { width: 60 * scale }),
  };
  return lawnSeasonInput(
    {
      ...request,
      zones: [first, second],
      findings: [...request.findings, { zoneId: second.id, weeds, unnamed: [], damages: [] }],
    },
    weather,
    [],
    [],
    history,
  );
}
const ofZone = (season: Season, zoneId: string) =>
  season.steps.filter((step) => step.zoneId === zoneId);

it('2: every weed, every cause of three years and every decision is a need or a reason', () => {
  fc.assert(
    fc.property(anyLawn, (sample) => {
      const { input } = inputOf(sample);
      const season = planSeason(input);
      const words = JSON.stringify([season.needs, season.leftOut, season.unmet]);
      const named = [
        ...sample.weeds.filter(({ growing }) => growing).map(({ weed }) => weed),
        ...sample.history,
      ];
      expect(named.filter((slug) => !words.includes(`"${slug}"`))).toEqual([]);
    }),
    { ...cases(60), seed: 2 },
  );
});

it('4: cures come in the months of their cause', () => {
  fc.assert(
    fc.property(
      anyLawn,
      fc.constantFrom('white-grub', 'chinch-bug', 'armyworm', 'billbug', 'large-patch'),
      (sample, cause) => {
        const { request, weather } = inputOf({ ...sample, confirmed: true });
        const input = lawnSeasonInput(
          {
            ...request,
            findings: request.findings.map((finding) => ({
              ...finding,
              damages: [{ patchId: null, cause, protect: 'treat' as const }],
            })),
          },
          weather,
          [],
          [],
        );
        for (const step of planSeason(input).steps) {
          if (step.kind !== 'protect' || step.mode !== 'curative') continue;
          const months = causeOf(step.cause)!.months[sample.region];
          if (months) expect(monthInWindow(monthOf(step.window.best), months)).toBe(true);
        }
      },
    ),
    { ...cases(60), seed: 4 },
  );
});

it('6: nitrogen never twice within its gap, never over the upkeep, and short of it only with a reason', () => {
  fc.assert(
    fc.property(anyLawn, (sample) => {
      const { input } = inputOf({ ...sample, earlier: null });
      const season = planSeason(input);
      const feeds = season.steps.filter((step) => step.kind === 'feed');
      feeds.slice(1).forEach((feed, index) => {
        expect(daysBetween(feeds[index]!.window.best, feed.window.best)).toBeGreaterThanOrEqual(
          feedingRules.gapDays,
        );
      });
      for (const year of season.nitrogen) {
        const got = year.recordedLbPer1000 + year.plannedLbPer1000;
        expect(got).toBeLessThanOrEqual(year.targetLbPer1000 + 0.05);
        if (got < feedingRules.yearFrom * year.targetLbPer1000 - 1e-9) {
          expect(year.reason).toBeDefined();
        }
      }
    }),
    { ...cases(60), seed: 6 },
  );
});

it('8: a change in one zone moves nothing in another but to share a trip with it, and changes no work there', () => {
  let moved = 0;
  fc.assert(
    fc.property(anyLawn, anyLawn, (sample, other) => {
      const before = twoZones(sample, []);
      const { id } = zoneOf(before);
      const plain = planSeason(before);
      const changed = planSeason(twoZones(sample, other.weeds));
      const bare = ({ window, because: _because, waitsFor: _waitsFor, ...rest }: Step) => ({
        ...rest,
        window: { ...window, best: null },
      });
      const byId = (a: Step, b: Step) => (a.id < b.id ? -1 : 1);
      const own = ofZone(changed, id).sort(byId);
      const was = ofZone(plain, id).sort(byId);
      expect(own.map(bare)).toEqual(was.map(bare));
      own.forEach((step, index) => {
        const [from, to] = [was[index]!.window.best, step.window.best];
        if (from === to) return;
        moved += 1;
        // On the old day or on the new one it shares the trip.
        const trips = (season: Season, on: string) =>
          season.steps.filter(({ window, id: of }) => window.best === on && of !== step.id);
        expect(trips(changed, to).length + trips(plain, from).length).toBeGreaterThan(0);
      });
    }),
    { ...cases(25), seed: 8 },
  );
  expect(moved).toBeGreaterThan(3);
});

it('lays nothing outside the days on which it may be done, and never makes more trips than it was asked for', () => {
  let saved = 0;
  fc.assert(
    fc.property(anyLawn, anyLawn, (sample, other) => {
      const { steps } = planSeason(twoZones(sample, other.weeds));
      const asked = steps.map(({ window, because }) => {
        const laid = because.find(({ rule }) => rule === 'laid-later' || rule === 'laid-earlier');
        return laid ? String(laid.inputs['from']) : window.best;
      });
      for (const { window, span } of steps) {
        expect(window.best >= (span?.from ?? window.best)).toBe(true);
        expect(window.best <= (span?.to ?? window.best)).toBe(true);
      }
      const trips = new Set(steps.map(({ window }) => window.best)).size;
      saved += new Set(asked).size - trips;
      expect(trips).toBeLessThanOrEqual(new Set(asked).size);
    }),
    { ...cases(25), seed: 14 },
  );
  expect(saved).toBeGreaterThan(25);
});

it('10: amounts follow the area', () => {
  fc.assert(
    fc.property(anyLawn, fc.integer({ min: 2, max: 9 }), (sample, scale) => {
      const amounts = (times: number) => {
        // A spot has at least a foot square.
        const weeds = sample.weeds.map((weed) => ({ ...weed, cover: Math.max(0.01, weed.cover) }));
        const input = twoZones(sample, weeds, times);
        return ofZone(planSeason(input), input.zones[1]!.id).flatMap((step) =>
          applicationsOf(step).flatMap(({ materials }) => materials.map(({ amount }) => amount)),
        );
      };
      const one = amounts(1);
      amounts(scale).forEach((amount, index) =>
        expect(amount / (one[index]! * scale)).toBeCloseTo(1, 9),
      );
    }),
    { ...cases(25), seed: 10 },
  );
});

it('13: the order in which two devices wrote makes no difference', () => {
  fc.assert(
    fc.property(
      anyLawn,
      fc.array(fc.integer({ min: 1, max: 200 }), { maxLength: 5 }),
      (sample, ago) => {
        const { request, weather, records, zone, history } = inputOf(sample);
        const more = ago.map((days, index) => ({
          ...(records[0] ?? {
            zoneId: zone.id,
            areaFt2: 3000,
            materials: [
              {
                kind: 'fertilizer' as const,
                slug: '24-0-11-half-slow',
                amount: 5,
                unit: 'lb' as const,
              },
            ],
          }),
          id: `more-${index}`,
          date: new Date(Date.UTC(2026, 0, sample.day - days)).toISOString().slice(0, 10),
        }));
        const plan = (list: typeof more) =>
          planSeason(lawnSeasonInput(request, weather, [], [...records, ...list], history));
        expect(plan([...more].reverse())).toEqual(plan(more));
      },
    ),
    { ...cases(25), seed: 13 },
  );
});
