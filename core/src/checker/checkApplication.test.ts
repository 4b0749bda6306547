/** Limits are label-type values from memory; the rule cases were worked apart from this code. */
import type { Application } from '../rates';
import { checkApplication } from './checkApplication';
import type { CheckContext } from './checkContext';

const context = (fields: Partial<CheckContext> = {}): CheckContext => ({
  stand: [{ species: 'kentucky-bluegrass', cover: 0.9 }],
  desired: ['kentucky-bluegrass'],
  zoneFt2: 5000,
  others: [],
  ...fields,
});
let next = 0;
const spray = (slug: string, perAcre: number, date: string, areaFt2 = 5000): Application => ({
  id: `a${(next += 1)}`,
  zoneId: 'z',
  date,
  areaFt2,
  materials: [{ kind: 'herbicide', slug, amount: (perAcre * areaFt2) / 43_560, unit: 'fl-oz' }],
});
const rules = (application: Application, c: CheckContext = context()) =>
  checkApplication(application, c).map(({ rule }) => rule);

it('has nothing against a walk within its limits', () => {
  expect(
    checkApplication(
      spray('threeway-amine', 64, '2026-05-02'),
      context({ airHighF: 72, windMph: 6 }),
    ),
  ).toEqual([]);
});

it('sums one active over products: 2 × 1.220 + 0.765 = 3.205 lb 2,4-D against 3.0', () => {
  const others = [
    spray('threeway-amine', 64, '2025-05-02'),
    spray('threeway-amine', 64, '2025-06-04'),
  ];
  const findings = checkApplication(
    spray('threeway-carfentrazone', 64, '2025-09-20'),
    context({ others }),
  );
  const year = findings.find(({ rule }) => rule === 'active-year');
  expect(year?.inputs).toMatchObject({ active: '2,4-d', max: 3 });
  expect(year?.inputs.lb).toBeCloseTo(3.205, 3);
  expect(findings.map(({ rule }) => rule)).toContain('active-count');
});

it('stops the fourth sedge preventer: 84 of 67 fl oz, four of three walks', () => {
  const others = ['2026-01-05', '2026-03-05', '2026-05-05'].map((d) =>
    spray('s-metolachlor', 21, d),
  );
  const c = context({
    stand: [{ species: 'st-augustine', cover: 1 }],
    desired: ['st-augustine'],
    others,
  });
  expect(rules(spray('s-metolachlor', 21, '2026-07-05'), c)).toEqual(
    expect.arrayContaining(['year-amount', 'year-count']),
  );
  const two = { ...c, others: others.slice(0, 2) };
  expect(rules(spray('s-metolachlor', 21, '2026-07-05'), two)).not.toContain('year-amount');
});

it('sees the walk that was 25 % too slow: 80 for 64 fl oz at 88 °F', () => {
  const findings = checkApplication(
    spray('threeway-amine', 80, '2026-07-10'),
    context({ airHighF: 88 }),
  );
  expect(findings.find(({ rule }) => rule === 'rate-over-label')?.inputs).toMatchObject({
    max: 64,
  });
  expect(findings.map(({ rule }) => rule)).toContain('too-hot');
  expect(findings[0]?.severity).toBe('exceeds');
});

describe('turf', () => {
  it.each([
    ['quinclorac', 'st-augustine', 'turf-not-tolerant'],
    ['sulfentrazone', 'st-augustine', 'rate-over-grass-cap'],
    ['indaziflam', 'tall-fescue', 'turf-not-tolerant'],
  ] as const)('%s on %s: %s', (slug, species, rule) => {
    const c = context({ stand: [{ species, cover: 0.9 }], desired: [species] });
    const top = { quinclorac: 16, sulfentrazone: 12, indaziflam: 6 }[slug];
    expect(rules(spray(slug, top, '2026-05-10'), c)).toContain(rule);
  });
  it('lets a grass that nobody wants go', () => {
    const c = context({
      stand: [
        { species: 'centipede', cover: 0.85 },
        { species: 'carpetgrass', cover: 0.08 },
      ],
      desired: ['centipede'],
    });
    expect(rules(spray('thiencarbazone-iodosulfuron-dicamba', 3.7, '2026-05-28'), c)).not.toContain(
      'turf-not-tolerant',
    );
  });
  it('follows the weather: three-way amine on St. Augustine over 85 °F', () => {
    const c = context({
      stand: [{ species: 'st-augustine', cover: 1 }],
      desired: ['st-augustine'],
    });
    const walk = spray('threeway-amine', 32, '2026-05-10');
    expect(rules(walk, { ...c, airHighF: 80 })).not.toContain('turf-not-tolerant');
    expect(rules(walk, { ...c, airHighF: 90 })).toContain('turf-not-tolerant');
  });
});

describe('seed', () => {
  const seeding: Application = {
    id: 's',
    zoneId: 'z',
    date: '2025-09-15',
    areaFt2: 5000,
    materials: [{ kind: 'seed', slug: 'tall-fescue', amount: 25, unit: 'lb' }],
  };
  const c = context({ stand: [{ species: 'tall-fescue', cover: 0.8 }], desired: ['tall-fescue'] });
  it('keeps 26 weeks between 16 oz of prodiamine and seed', () => {
    const walk = spray('prodiamine', 16, '2025-09-01');
    expect(rules(walk, { ...c, others: [seeding] })).toContain('seed-too-soon');
    const found = checkApplication(seeding, { ...c, others: [walk] });
    expect(found).toEqual([
      {
        rule: 'seed-too-soon',
        severity: 'exceeds',
        material: 'prodiamine',
        inputs: { days: 14, min: 182 },
      },
    ]);
    expect(rules({ ...seeding, date: '2026-03-02' }, { ...c, others: [walk] })).toEqual([]);
  });
  it('protects seedlings', () => {
    expect(rules(spray('threeway-amine', 64, '2025-10-10'), { ...c, others: [seeding] })).toContain(
      'seedlings-too-young',
    );
  });
});

describe('nitrogen', () => {
  const feed = (slug: string, lb: number, date: string): Application => ({
    id: `${slug}${date}`,
    zoneId: 'z',
    date,
    areaFt2: 5000,
    materials: [{ kind: 'fertilizer', slug, amount: lb, unit: 'lb' }],
  });
  it('holds the amount of a walk, of the year and of the heat', () => {
    expect(rules(feed('25-0-10-quick', 30, '2026-09-10'))).toContain('nitrogen-per-application');
    expect(rules(feed('25-0-10-quick', 16, '2026-07-10'), context({ airHighF: 88 }))).toContain(
      'nitrogen-heat',
    );
    const others = ['2026-04-20', '2026-05-20', '2026-06-20', '2026-08-30'].map((d) =>
      feed('24-0-11-half-slow', 26, d),
    );
    expect(rules(feed('24-0-11-half-slow', 26, '2026-10-05'), context({ others }))).toContain(
      'nitrogen-year',
    );
  });
});

it('names wind, site, licence, unchecked labels and a too large area', () => {
  expect(rules(spray('threeway-amine', 64, '2026-05-02'), context({ windMph: 14 }))).toContain(
    'wind',
  );
  expect(rules(spray('msma', 32, '2026-07-02'))).toContain('not-for-home-lawns');
  expect(rules(spray('foramsulfuron', 9, '2026-05-02'))).toContain('label-unconfirmed');
  expect(rules(spray('atrazine', 32, '2026-02-02'))).toContain('licence-needed');
  expect(rules(spray('threeway-amine', 32, '2026-05-02', 6000))).toContain('area-over-zone');
});
