import {
  addDays,
  localDate,
  lookKey,
  zoneArea,
  type ApplicationRecordBody,
  type LawnBody,
  type LocalDate,
  type LookAnswer,
} from '@alfombra/core';
import { DEMO_HANDS, demoId } from './company';

/** The first year of the past, and the demo's day, up to which it goes. */
const FIRST_YEAR = 2024;
const FROM = localDate('2024-04-08');
const UNTIL = localDate('2026-04-08');
/** A walk that the rain took is made again when its label allows it. */
const AGAIN_DAYS = 32;
const LOOK_DAYS = 24;
const LB_N = 0.24;

interface Work {
  /** Month and day of each year. */
  on: string;
  /** What it serves, but for its place and year, and which of its pieces; `null`: the year's feedings go by amount. */
  serves: [string, string] | null;
  material:
    | { kind: 'herbicide'; slug: string; unit: 'oz' | 'fl-oz' }
    | { kind: 'fertilizer'; slug: string; unit: 'lb' };
  perAcre: number;
  /** Share of the zone that gets it. */
  share: number;
  targets: string[];
  airF: number;
}

const prevent = (on: string): Work => ({
  on,
  serves: ['prevent:crabgrass', 'lay/1'],
  material: { kind: 'herbicide', slug: 'prodiamine', unit: 'oz' },
  perAcre: 18,
  share: 1,
  targets: [],
  airF: 58,
});
const walk = (
  on: string,
  weed: string,
  slug: string,
  unit: 'oz' | 'fl-oz',
  perAcre: number,
): Work => ({
  on,
  serves: [`control:${weed}`, 'walk/1'],
  material: { kind: 'herbicide', slug, unit },
  perAcre,
  share: 0.1,
  targets: [weed],
  airF: 66,
});
const feed = (on: string, lbN: number): Work => ({
  on,
  serves: null,
  material: { kind: 'fertilizer', slug: '24-0-11-half-slow', unit: 'lb' },
  perAcre: (43.56 * lbN) / LB_N,
  share: 1,
  targets: [],
  airF: 70,
});

/** What is usually done in a year on each kind of lawn of the valley, in the order of `KINDS`. */
const YEARS: readonly (readonly Work[])[] = [
  [
    prevent('04-04'),
    feed('05-14', 0.5),
    feed('09-12', 0.9),
    walk('10-04', 'dandelion', 'threeway-amine', 'fl-oz', 60),
    feed('10-24', 0.75),
  ],
  [
    prevent('03-24'),
    feed('09-16', 0.9),
    walk('10-12', 'white-clover', 'threeway-amine', 'fl-oz', 60),
    feed('10-28', 0.75),
  ],
  [
    prevent('03-20'),
    feed('05-22', 0.6),
    walk('06-12', 'yellow-nutsedge', 'halosulfuron', 'oz', 1.3),
    feed('07-08', 0.6),
  ],
  [prevent('02-24'), feed('05-10', 0.8), feed('06-20', 0.8), feed('08-04', 0.8)],
  [
    prevent('02-26'),
    walk('04-28', 'dollarweed', 'threeway-amine', 'fl-oz', 30),
    feed('05-20', 0.7),
    feed('07-08', 0.7),
  ],
];
/** What was seen at the return after a walk; of one nobody came back. */
const SEEN: readonly (LookAnswer['seen'] | null)[] = ['gone', 'fewer', null, 'same'];

type Past = Pick<LawnBody, 'looks'> & { records: { id: string; body: ApplicationRecordBody }[] };

/**
 * Two years of ordinary work on a lawn, the same on every call: pre-emergents, feedings and walks against its weed, some of
 * them rained off and made again, with what was seen afterwards. This spring's pre-emergent is down on every third.
 * @param number of the lawn among those that are not written out @param index of its ids
 */
export function pastOf(
  { zones }: Pick<LawnBody, 'zones'>,
  lawnId: string,
  { number, index }: { number: number; index: number },
): Past {
  const records: Past['records'] = [];
  const looks: LawnBody['looks'] = {};
  let batch = 0;
  const put = (work: Work, date: LocalDate, effect?: number) => {
    batch += 1;
    for (const [place, zone] of zones.entries()) {
      const areaFt2 = Math.max(20, Math.round(zoneArea(zone) * work.share));
      const { airF, material, targets, serves } = work;
      const need = serves && `${serves[0]}:${zone.id}:${date.slice(0, 4)}`;
      records.push({
        id: demoId(14, index * 256 + batch * 4 + place),
        body: {
          ...DEMO_HANDS,
          start: '10:10',
          end: '10:50',
          lawnId,
          zoneId: zone.id,
          stepId: serves && `${need}/${serves[1]}`,
          batchId: demoId(15, index * 256 + batch),
          date,
          areaFt2,
          materials: [
            { ...material, amount: Number(((work.perAcre * areaFt2) / 43_560).toPrecision(4)) },
          ],
          carrierGal: material.kind === 'herbicide' ? Math.ceil(areaFt2 / 1000) : null,
          weather: { airF, windMph: 5, windFrom: 'W', sky: 'part-cloudy' },
          targets,
          ...(effect === undefined ? {} : { effect }),
        },
      });
      const seen = SEEN[number % SEEN.length];
      if (need && serves[1].startsWith('walk') && effect === undefined && seen) {
        const look = { needId: need, date: addDays(date, LOOK_DAYS), seen };
        looks[lookKey(look)] = look;
      }
    }
  };
  for (const [year, work] of [0, 1, 2].flatMap((ahead) =>
    (YEARS[number % YEARS.length] ?? []).map((one): [number, Work] => [FIRST_YEAR + ahead, one]),
  )) {
    const date = localDate(`${year}-${work.on}`);
    if (date < FROM || date > UNTIL) continue;
    if (date.slice(0, 4) === UNTIL.slice(0, 4) && number % 3 !== 0) continue;
    const rained = work.targets.length > 0 && number % 10 === 6;
    put(work, date, rained ? 0 : undefined);
    if (rained && addDays(date, AGAIN_DAYS) < UNTIL) put(work, addDays(date, AGAIN_DAYS));
  }
  return { records, looks };
}
