import type { Answers } from '../diagnosis';
import { grass, phSpots, testThresholds } from '../knowledge';
import type { Shelf } from '../products';
import { gathering, severeColdF, wholeLawnSigns } from '../knowledge/gathering';
import { runDistance } from '../lawn/gap';
import { mainGrass, probeVerdict, type Patch, type Point, type Zone } from '../lawn';
import { addDays, daysBetween, type LocalDate } from '../units';
import { contextSigns, type DailyWeather } from '../weather';
import type { ApplicationRecord } from '../contract/applicationRecord';
import type { Lawn } from '../contract/lawn';
import type { PhReading } from '../contract/reading';
import type { SoilSample } from '../contract/soilSample';

/** Where an answer came from that nobody tapped. */
export type GatheredFrom = 'weather' | 'plan' | 'record' | 'soil' | 'property' | 'earlier-look';

export interface GatheredSign {
  answer: boolean;
  from: GatheredFrom;
}

export interface GatherInput {
  lawn: Pick<Lawn, 'features' | 'pins' | 'lines' | 'upkeep' | 'patches' | 'property'>;
  zone: Zone;
  /** `null`: the whole zone is looked at, which has no place of its own. */
  patch: Patch | null;
  today: LocalDate;
  /** Measured days ending on `today`. */
  days: readonly DailyWeather[];
  records: readonly ApplicationRecord[];
  shelf: Shelf;
  samples: readonly SoilSample[];
  ph: readonly PhReading[];
  /** Answers of the other looks of this visit, in order. */
  earlier: readonly Answers[];
}

const distance = (p: Point, q: Point): number => Math.hypot(q.x - p.x, q.y - p.y);
/** What lies beside a patch on the plan, and the site's own measures. */
function placeSigns({ lawn, zone, patch }: GatherInput): Record<string, boolean> {
  const signs: Record<string, boolean> = {};
  const { site } = zone;
  if (site.slopePct !== null) signs['k-loc-slope-ridge'] = site.slopePct >= gathering.slopePct;
  if (site.sunHours !== null) signs['k-loc-shade'] = site.sunHours < gathering.shadeBelowHours;
  if (site.thatchIn !== null) {
    const limit = testThresholds.find(({ sign }) => sign === 'h-thatch')?.low ?? 0.5;
    signs['h-thatch'] = site.thatchIn > limit;
  }
  if (site.probe) {
    const verdict = probeVerdict(site.probe.depthIn, site.probe.stop);
    if (verdict === 'blocked') signs['h-probe-stop'] = true;
    if (verdict === 'adequate') signs['h-probe-stop'] = false;
  }
  if (!patch) return signs;
  const reach = Math.max(patch.lengthFt, patch.widthFt) / 2;
  const gap = (distance: number) => Math.max(0, distance - reach);
  const pinGap = (...kinds: string[]) =>
    Math.min(
      Infinity,
      ...lawn.pins
        .filter(({ kind }) => kinds.includes(kind))
        .map(({ at }) => gap(distance(at, patch.centre))),
    );
  const lineGap = (...kinds: string[]) =>
    Math.min(
      Infinity,
      ...lawn.lines
        .filter(({ kind }) => kinds.includes(kind))
        .map(({ points }) => gap(runDistance(patch.centre, points, false))),
    );
  const featureGap = (...kinds: string[]) =>
    Math.min(
      Infinity,
      ...lawn.features
        .filter(({ kind }) => kinds.includes(kind))
        .map(({ outline }) => gap(runDistance(patch.centre, outline, true))),
    );
  /** Beside it: yes. Far from every one that is drawn: no. Between, or none drawn: left open. */
  const beside = (sign: string, distance: number, within: number) => {
    if (distance <= within) signs[sign] = true;
    else if (distance < Infinity && distance > gathering.clearFt) signs[sign] = false;
  };
  beside(
    'k-loc-pavement',
    Math.min(featureGap('drive', 'walk', 'house'), lineGap('pavement')),
    gathering.edgeFt,
  );
  beside(
    'k-loc-road',
    Math.min(lineGap('road'), featureGap('drive'), pinGap('snow-pile')),
    gathering.edgeFt,
  );
  beside(
    'k-loc-low-wet',
    pinGap('wet-roof', 'wet-gutter', 'wet-drain', 'wet-drip', 'wet-low-ground'),
    gathering.wetFt,
  );
  beside('k-loc-door-dog', pinGap('pet-door'), gathering.doorFt);
  beside('k-loc-head-gap', pinGap('dry-gap'), gathering.wetFt);
  beside('k-loc-path', lineGap('traffic-route'), gathering.edgeFt);
  beside('k-loc-bed-field', Math.min(featureGap('bed'), lineGap('harbour-edge')), gathering.edgeFt);
  beside('c-trees', pinGap('tree'), gathering.treeFt);
  return signs;
}

/** What was put down here lately. Only a yes is certain: others may have been at work besides us. */
function recordSigns({ zone, records, today, lawn, shelf }: GatherInput): Record<string, boolean> {
  const signs: Record<string, boolean> = {};
  const own = records
    .filter(({ zoneId, date }) => zoneId === zone.id && date <= today)
    .map((record) => ({ ...record, ago: daysBetween(record.date, today) }));
  const within = (days: number) => own.filter(({ ago }) => ago <= days);
  const nitrogen = (list: typeof own) =>
    list.reduce(
      (sum, { materials, areaFt2 }) =>
        sum +
        materials.reduce((lb, material) => lb + (shelf.nutrientsOf(material)?.n ?? 0), 0) /
          (areaFt2 / 1000),
      0,
    );
  const sprayed = (list: typeof own, of: (slug: string) => boolean) =>
    list.filter(({ materials }) =>
      materials.some(({ kind, slug }) => kind === 'herbicide' && of(slug)),
    );
  const { days } = gathering;
  const herbicides = sprayed(
    within(days.herbicide),
    (slug) => shelf.herbicide(slug)?.postEmergent ?? false,
  );
  if (nitrogen(within(days.nitrogenRecent)) > 0) signs['c-n-recent'] = true;
  if (nitrogen(within(days.nitrogenHigh)) > gathering.highNitrogenLb) signs['c-n-high'] = true;
  const longest = Math.max(0, ...own.map(({ ago }) => ago));
  if (longest >= days.nitrogenNone && nitrogen(within(days.nitrogenNone)) === 0) {
    signs['c-n-none'] = true;
  }
  if (herbicides.length > 0) signs['c-herb'] = true;
  const feedsToo = (slug: string) => Boolean(shelf.herbicide(slug)?.nutrients);
  if (sprayed(herbicides, feedsToo).length > 0) signs['c-weedfeed'] = true;
  if (herbicides.some(({ weather }) => weather.airF >= gathering.hotF)) signs['c-herb-hot'] = true;
  if (herbicides.some(({ findings }) => findings.some(({ severity }) => severity === 'exceeds'))) {
    signs['c-herb-rate'] = true;
  }
  if (
    sprayed(within(days.herbicide), (slug) => shelf.herbicide(slug)?.selective === false).length > 0
  ) {
    signs['c-nonsel'] = true;
  }
  if (
    sprayed(within(days.preEmergent), (slug) => shelf.herbicide(slug)?.preEmergent ?? false)
      .length > 0
  ) {
    signs['c-pre'] = true;
  }
  if (within(days.newTurf).some(({ materials }) => materials.some(({ kind }) => kind === 'seed'))) {
    signs['c-newturf'] = true;
  }
  if ((zone.upkeep ?? lawn.upkeep) === 'showpiece') signs['c-lush'] = true;
  return signs;
}

/** How the owner waters, as far as somebody said. */
function wateringSigns({ lawn: { property } }: GatherInput): Record<string, boolean> {
  const { waterAt, waterDays } = property;
  const daysAWeek = new Set(waterDays).size;
  return {
    ...(waterAt === 'unknown' ? {} : { 'c-evening': waterAt === 'evening' }),
    ...(daysAWeek === 0 ? {} : { 'c-daily': daysAWeek >= gathering.dailyFrom }),
  };
}

/**
 * What a kit said of the zone, as far as it is beyond the kit's own error. A kit in the middle says
 * nothing: the laboratory may still find otherwise.
 */
function kitSigns({ zone, ph, today }: GatherInput): Record<string, boolean> {
  const main = mainGrass(zone);
  const latest = ph
    .filter(
      ({ zoneId, date, water }) =>
        zoneId === zone.id &&
        // Tap water has a pH of its own, and the chart then shows that.
        water !== 'tap' &&
        date >= addDays(today, -gathering.days.soilReport),
    )
    .sort((a, b) => (a.date < b.date ? 1 : -1))[0];
  const range = main ? grass(main).ph?.ok : undefined;
  if (!latest || latest.spots.length === 0) return {};
  const { kitError } = phSpots;
  return {
    ...(Math.min(...latest.spots) - kitError > gathering.highPh ? { 't-ph-high': true } : {}),
    ...(range && Math.max(...latest.spots) + kitError < range[0] ? { 't-ph-low': true } : {}),
  };
}

/** What the laboratory said of the poor spot, or else of the zone. */
function soilSigns({ zone, samples, today }: GatherInput): Record<string, boolean> {
  const reports = samples
    .filter(
      ({ zoneId, report, date }) =>
        zoneId === zone.id && report && date >= addDays(today, -gathering.days.soilReport),
    )
    .sort((a, b) => (a.date < b.date ? 1 : -1));
  const chosen =
    reports.find(({ from }) => from === 'poor') ??
    reports.find(({ from }) => from === 'whole-zone');
  const main = mainGrass(zone);
  if (!chosen?.report || zone.stand.length === 0) return {};
  const { ph, salinityDsM } = chosen.report;
  const range = main ? grass(main).ph?.ok : undefined;
  return {
    't-ph-high': ph > gathering.highPh,
    ...(range ? { 't-ph-low': ph < range[0] } : {}),
    ...(salinityDsM === null ? {} : { 't-ec-high': salinityDsM >= gathering.saltDsM }),
  };
}

/** A winter colder than the zone's grass bears; the record begins in January, so only a yes is sure. */
function coldSigns({ zone, days }: GatherInput): Record<string, boolean> {
  const main = mainGrass(zone);
  const limit = main && zone.stand.length > 0 ? severeColdF[main] : undefined;
  return limit !== undefined && days.some(({ tminF }) => tminF < limit)
    ? { 'c-severe-cold': true }
    : {};
}

/** What was answered at another patch today and holds for the whole lawn. */
const sharedSigns = (earlier: readonly Answers[]): Record<string, boolean> =>
  Object.fromEntries(
    earlier
      .flatMap((answers) => Object.entries(answers))
      .filter((entry): entry is [string, boolean] => typeof entry[1] === 'boolean')
      .filter(([sign]) => wholeLawnSigns.has(sign)),
  );

/**
 * Signs that answer themselves: from the weather, from the place of the patch on the plan, from what
 * was put down here, from the laboratory. A tap overrules each of them.
 */
export function gatheredSigns(input: GatherInput): Record<string, GatheredSign> {
  const from = (source: GatheredFrom, signs: Record<string, boolean>) =>
    Object.entries(signs).map(([sign, answer]): [string, GatheredSign] => [
      sign,
      { answer, from: source },
    ]);
  return Object.fromEntries([
    ...from('weather', contextSigns(input.days, input.zone.site.irrigated)),
    ...from('weather', coldSigns(input)),
    ...from('plan', placeSigns(input)),
    ...from('record', recordSigns(input)),
    ...from('soil', kitSigns(input)),
    ...from('soil', soilSigns(input)),
    ...from('property', wateringSigns(input)),
    ...from('earlier-look', sharedSigns(input.earlier)),
  ]);
}
