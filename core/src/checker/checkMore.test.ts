/**
 * Insecticides, fungicides, the day and the place: label-type values from memory; rotation and
 * bees common practice. Cases W25 (pace), W31 (third year of one group).
 */
import fc from 'fast-check';
import { treatments } from '../knowledge';
import type { Application, Material } from '../rates';
import { checkApplication } from './checkApplication';
import type { CheckContext } from './checkContext';

const context = (fields: Partial<CheckContext> = {}): CheckContext => ({
  stand: [{ species: 'tall-fescue', cover: 0.9 }],
  desired: ['tall-fescue'],
  zoneFt2: 5000,
  others: [],
  ...fields,
});
let next = 0;
const put = (
  material: Material,
  date: string,
  targets?: string[],
): Application & { targets?: string[] } => ({
  id: `b${(next += 1)}`,
  zoneId: 'z',
  date,
  areaFt2: 5000,
  materials: [material],
  ...(targets ? { targets } : {}),
});
const treat = (slug: string, perAcre: number, date: string, targets?: string[]) => {
  const unit = treatments.find((entry) => entry.slug === slug)?.unit ?? 'oz';
  return put({ kind: 'treatment', slug, amount: (perAcre * 5000) / 43_560, unit }, date, targets);
};
const weeds = (
  slug: string,
  perAcre: number,
  date: string,
  targets: string[],
  unit: 'oz' | 'fl-oz' = 'oz',
) => put({ kind: 'herbicide', slug, amount: (perAcre * 5000) / 43_560, unit }, date, targets);
const over = (application: Application & { targets?: string[] }, c: CheckContext = context()) =>
  checkApplication(application, c).map(({ rule, severity }) => `${severity} ${rule}`);

describe('treatments', () => {
  it('keep to their label: rate, yearly amount, number, interval', () => {
    expect(over(treat('chlorantraniliprole', 12, '2026-05-10'))).toEqual([]);
    expect(over(treat('chlorantraniliprole', 20, '2026-05-10'))).toEqual([
      'exceeds rate-over-label',
    ]);
    const others = [treat('imidacloprid', 20, '2026-05-01')];
    expect(
      over(
        treat('imidacloprid', 20, '2026-06-01'),
        context({ others, confirmedLabels: ['imidacloprid'] }),
      ),
    ).toEqual(expect.arrayContaining(['exceeds year-amount', 'exceeds interval']));
    const twice = ['2026-08-01', '2026-08-20'].map((date) => treat('trichlorfon', 100, date));
    expect(over(treat('trichlorfon', 100, '2026-09-20'), context({ others: twice }))).toContain(
      'exceeds year-count',
    );
  });
  it('are not for home lawns where the label says so, and ask for the label where it is not known', () => {
    expect(over(treat('chlorothalonil', 1, '2026-06-01'))).toEqual(
      expect.arrayContaining(['exceeds not-for-home-lawns', 'caution read-the-label']),
    );
    expect(over(treat('bifenthrin', 20, '2026-06-01'))).toEqual(['caution label-unconfirmed']);
  });
  it('spare the bees', () => {
    expect(over(treat('imidacloprid', 20, '2026-06-01'), context({ bloom: true }))).toContain(
      'exceeds bloom',
    );
    expect(over(treat('chlorantraniliprole', 12, '2026-06-01'), context({ bloom: true }))).toEqual(
      [],
    );
  });
  it('stop at their heat', () => {
    expect(over(treat('propiconazole', 60, '2026-07-01'), context({ airHighF: 92 }))).toContain(
      'exceeds too-hot',
    );
  });
  it('never one fungicide group twice running against dollar spot', () => {
    const others = [treat('propiconazole', 60, '2026-06-01', ['dollar-spot'])];
    expect(
      over(treat('myclobutanil', 60, '2026-06-20', ['dollar-spot']), context({ others })),
    ).toContain('exceeds rotation');
    expect(
      over(treat('penthiopyrad', 20, '2026-06-20', ['dollar-spot']), context({ others })),
    ).not.toContain('exceeds rotation');
  });
  it('at most two insecticides of a group running', () => {
    const others = ['2026-05-01', '2026-06-01'].map((date) => treat('bifenthrin', 20, date));
    expect(over(treat('lambda-cyhalothrin', 8, '2026-07-01'), context({ others }))).toContain(
      'caution rotation',
    );
    expect(over(treat('clothianidin', 10, '2026-07-01'), context({ others }))).not.toContain(
      'caution rotation',
    );
  });
});

describe('weeds and resistance', () => {
  it('a third year of ALS alone on annual bluegrass is a warning; another group is none', () => {
    const bermuda = {
      stand: [{ species: 'bermuda-hybrid' as const, cover: 1 }],
      desired: ['bermuda-hybrid' as const],
    };
    const others = [
      weeds('foramsulfuron', 17, '2024-02-10', ['annual-bluegrass'], 'fl-oz'),
      weeds('trifloxysulfuron', 0.3, '2025-01-20', ['annual-bluegrass']),
    ];
    const c = context({ ...bermuda, others });
    expect(over(weeds('flazasulfuron', 1, '2026-01-15', ['annual-bluegrass']), c)).toContain(
      'caution rotation',
    );
    expect(over(weeds('simazine', 20, '2026-01-15', ['annual-bluegrass']), c)).not.toContain(
      'caution rotation',
    );
  });
});

describe('the day', () => {
  const spray = (perAcre = 60) =>
    weeds('threeway-amine', perAcre, '2026-05-10', ['dandelion'], 'fl-oz');
  it('is not frozen, not soaked, not about to rain', () => {
    expect(over(spray(), context({ soilF: 31 }))).toContain('exceeds frozen');
    expect(over(spray(), context({ saturated: true }))).toContain('exceeds saturated');
    expect(over(spray(), context({ rainInHours: 1 }))).toContain('exceeds rain');
    expect(over(spray(), context({ rainInHours: 48 }))).not.toContain('exceeds rain');
    expect(over(spray(), context({ leafWet: true }))).toContain('caution wet-leaf');
  });
  it('a tired pace puts a quarter more down: 64 fl oz become 80', () => {
    const found = checkApplication(spray(64), context({ paceMph: 2.4, calibratedMph: 3 }));
    expect(found.find(({ rule }) => rule === 'pace')).toMatchObject({
      severity: 'exceeds',
      inputs: { percent: 25 },
    });
    expect(over(spray(40), context({ paceMph: 2.6, calibratedMph: 3 }))).toEqual(['caution pace']);
    expect(over(spray(40), context({ paceMph: 2.95, calibratedMph: 3 }))).toEqual([]);
  });
});

describe('soil work and the place', () => {
  const lime = (lb: number) =>
    put({ kind: 'amendment', slug: 'ground-limestone', amount: lb * 5, unit: 'lb' }, '2026-10-10');
  it('50 lb of lime at once, 25 in heat; sulfur 10 a year', () => {
    expect(over(lime(50))).toEqual([]);
    expect(over(lime(60))).toEqual(['exceeds amount-once']);
    expect(over(lime(40), context({ airHighF: 90 }))).toEqual(['exceeds amount-once']);
    const sulfur = (date: string) =>
      put({ kind: 'amendment', slug: 'elemental-sulfur', amount: 25, unit: 'lb' }, date);
    const others = [sulfur('2026-03-01'), sulfur('2026-05-01')];
    expect(over(sulfur('2026-10-01'), context({ others }))).toEqual(['exceeds amendment-year']);
  });
  it('no fertilizer in the blackout, no phosphorus without a reason, no more nitrogen than allowed', () => {
    const ordinance = {
      blackout: ['12-01', '03-31'] as const,
      mostNitrogen: 0.9,
      mostNitrogenYear: 3,
      phosphorusNeedsReason: true,
    };
    const feed = (slug: string, lb: number, date: string) =>
      put({ kind: 'fertilizer', slug, amount: lb * 5, unit: 'lb' }, date);
    expect(over(feed('24-0-11-half-slow', 3, '2026-01-10'), context({ ordinance }))).toContain(
      'exceeds blackout',
    );
    expect(over(feed('24-0-11-half-slow', 4.2, '2026-09-10'), context({ ordinance }))).toContain(
      'exceeds ordinance-nitrogen',
    );
    expect(over(feed('18-24-12-starter', 4, '2026-09-10'), context({ ordinance }))).toContain(
      'exceeds phosphorus',
    );
    const seeded = [
      put({ kind: 'seed', slug: 'tall-fescue', amount: 25, unit: 'lb' }, '2026-09-10'),
    ];
    expect(
      over(feed('18-24-12-starter', 4, '2026-09-10'), context({ ordinance, others: seeded })),
    ).not.toContain('exceeds phosphorus');
  });
});

it('a hotter day never has fewer breaches', () => {
  const breaches = (application: Application, airHighF: number) =>
    new Set(
      checkApplication(application, context({ airHighF }))
        .filter(({ severity }) => severity === 'exceeds')
        .map(({ rule, material }) => `${rule} ${material ?? ''}`),
    );
  fc.assert(
    fc.property(
      fc.constantFrom(
        ...treatments.filter(({ ratePerAcre }) => ratePerAcre !== null).map(({ slug }) => slug),
      ),
      fc.double({ min: 40, max: 110, noNaN: true }),
      fc.double({ min: 0, max: 30, noNaN: true }),
      (slug, air, more) => {
        const application = treat(
          slug,
          treatments.find((entry) => entry.slug === slug)!.ratePerAcre![1],
          '2026-07-01',
        );
        const cool = breaches(application, air);
        const hot = breaches(application, air + more);
        for (const rule of cool) expect(hot).toContain(rule);
      },
    ),
  );
});
