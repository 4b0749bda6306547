/** The hour of a job: common practice; a label's ceiling is held against the day's high. */
import fc from 'fast-check';
import { cases } from '../units/testdata/cases';
import { herbicides, treatments } from '../knowledge';
import type { Application } from '../rates';
import { atKerb, kerbOfAll, type KerbHour, type Seen } from './atKerb';
import type { CheckContext } from './checkContext';

const context: CheckContext = {
  stand: [{ species: 'kentucky-bluegrass', cover: 0.95 }],
  desired: ['kentucky-bluegrass'],
  zoneFt2: 5000,
  others: [],
  soilF: 60,
};
const spray = (slug = 'threeway-amine', perAcre = 60): Application => ({
  id: 'a',
  zoneId: 'z',
  date: '2026-05-10',
  areaFt2: 5000,
  materials: [{ kind: 'herbicide', slug, amount: (perAcre * 5000) / 43_560, unit: 'fl-oz' }],
});
/** Two days: coolest at six, warmest at three; wind with the sun. */
const hoursOf = (
  high: number,
  fields: (hour: number) => Partial<KerbHour> = () => ({}),
): KerbHour[] =>
  Array.from({ length: 48 }, (_, index) => {
    const hour = index % 24;
    const warmth = Math.sin((Math.PI * (hour - 6)) / 18);
    return {
      index,
      hour,
      airF: high - 20 + 20 * Math.max(0, warmth),
      windMph: hour >= 7 && hour < 19 ? 6 : 1,
      rhPct: hour < 8 ? 95 : 55,
      rainIn: 0,
      dayHighF: high,
      ...fields(index),
    };
  });
const verdict = (high: number, now: number, seen: Seen = {}, hours = hoursOf(high)) =>
  atKerb(spray(), context, hours, now, seen);

it('goes on a mild breezy morning', () => {
  expect(verdict(75, 9).now.verdict).toBe('go');
});
it('holds in the dark and in calm dawn air, and names the hour it becomes a go', () => {
  const dawn = verdict(75, 5);
  expect(dawn.now.reasons.map(({ rule }) => rule)).toEqual(
    expect.arrayContaining(['dark', 'inversion']),
  );
  expect(dawn.next).toMatchObject({ hour: 8, verdict: 'go' });
});
it('asks to adjust on a wet leaf', () => {
  expect(verdict(75, 7).now).toMatchObject({ verdict: 'adjust' });
  expect(verdict(75, 9, { leafWet: true }).now.reasons.map(({ rule }) => rule)).toEqual([
    'wet-leaf',
  ]);
});
it('holds for what is seen: wilting all day, wind for the hour', () => {
  const wilted = verdict(75, 9, { wilting: true });
  expect(wilted.now.verdict).toBe('hold');
  expect(wilted.next?.index).toBeGreaterThanOrEqual(24);
  const windy = verdict(75, 9, { windMph: 14 });
  expect(windy.now.verdict).toBe('hold');
  expect(windy.next?.hour).toBe(10);
});
it('holds when the day is over the label, however cool the morning is', () => {
  const hot = verdict(90, 8);
  expect(hot.now.reasons.map(({ rule }) => rule)).toContain('too-hot');
  expect(hot.next).toBeNull();
});
it('holds before rain within the rainfast hours', () => {
  const hours = hoursOf(75, (index) => (index >= 11 && index < 13 ? { rainIn: 0.2 } : {}));
  expect(verdict(75, 10, {}, hours).now.reasons.map(({ rule }) => rule)).toContain('rain');
  expect(verdict(75, 12, {}, hours).now.verdict).toBe('hold');
});
it('knows only the hours it is given', () => {
  expect(() => verdict(75, 99)).toThrow(RangeError);
});

it('a hotter day never turns a hold into a go', () => {
  const products = [
    ...herbicides
      .filter(({ unit, tankMix }) => unit !== 'dose' && tankMix === null)
      .map(({ slug, unit, rate }) => ({
        kind: 'herbicide' as const,
        slug,
        unit,
        perAcre: rate[1],
      })),
    ...treatments.flatMap(({ slug, unit, ratePerAcre }) =>
      unit && ratePerAcre
        ? [{ kind: 'treatment' as const, slug, unit, perAcre: ratePerAcre[1] }]
        : [],
    ),
  ];
  fc.assert(
    fc.property(
      fc.constantFrom(...products),
      fc.integer({ min: 0, max: 23 }),
      fc.double({ min: 45, max: 100, noNaN: true }),
      fc.double({ min: 0, max: 30, noNaN: true }),
      fc.double({ min: 0, max: 15, noNaN: true }),
      fc.array(fc.integer({ min: 0, max: 47 }), { maxLength: 4 }),
      fc.record({ wilting: fc.boolean(), bloom: fc.boolean(), leafWet: fc.boolean() }),
      (product, now, high, more, windMph, rainy, seen) => {
        const application = {
          ...spray(),
          materials: [
            {
              kind: product.kind,
              slug: product.slug,
              unit: product.unit,
              amount: (product.perAcre * 5000) / 43_560,
            } as Application['materials'][number],
          ],
        };
        const at = (heat: number) =>
          atKerb(
            application,
            context,
            hoursOf(heat, (index) => ({ windMph, rainIn: rainy.includes(index) ? 0.1 : 0 })),
            now,
            seen,
          );
        const cool = at(high);
        const hot = at(high + more);
        cool.hours.forEach((hour, index) => {
          if (hour.verdict === 'hold') expect(hot.hours[index]!.verdict).toBe('hold');
        });
      },
    ),
    cases(300),
  );
});

it('does not ask to wait for what no hour would mend: pets, and a well that the product may pass', () => {
  const at = (fields: Partial<CheckContext>) =>
    atKerb(spray(), { ...context, ...fields }, hoursOf(75), 9).now;
  expect(at({ pets: true, wellFt: 30, treeRoots: true }).verdict).toBe('go');
  // Over a limit it holds at every hour.
  const atrazine = atKerb(spray('atrazine', 32), { ...context, wellFt: 30 }, hoursOf(75), 9).now;
  expect(atrazine.reasons.map(({ rule }) => rule)).toContain('well');
});

describe('work over several zones', () => {
  const hours = hoursOf(75);
  const near = atKerb(spray(), { ...context, waterFt: 1 }, hours, 9);
  const far = atKerb(spray(), context, hours, 9);
  const hot = atKerb(spray(), { ...context, soilF: 60 }, hoursOf(96), 9);

  it('is as good as for the worst of them, hour by hour', () => {
    const both = kerbOfAll([
      { zone: 'Front', answer: far },
      { zone: 'Back', answer: hot },
    ]);
    expect([far.now.verdict, hot.now.verdict, both.now.verdict]).toEqual(['go', 'hold', 'hold']);
    both.hours.forEach(({ verdict: worst }, at) =>
      expect([far, hot].map((one) => one.hours[at]!.verdict)).toContain(worst),
    );
    expect(both.now.reasons.every(({ zones }) => zones?.join() === 'Back')).toBe(true);
  });
  it('says a word once where all of them say it, and whose it is where not', () => {
    const dawn = atKerb(spray(), context, hours, 5);
    const twice = kerbOfAll([
      { zone: 'Front', answer: dawn },
      { zone: 'Back', answer: dawn },
    ]);
    expect(twice).toEqual(dawn);
    expect(kerbOfAll([{ zone: 'Front', answer: near }])).toEqual(near);
  });
});
