import { frostDates, type GrassSlug, type Region } from '../knowledge';
import { contaminantWeeds, governingGrasses, mainGrass, zoneArea, type Zone } from '../lawn';
import { shelfOf, type Shelf } from '../products';
import type { Application } from '../rates';

import { localDate, yearOf, type LocalDate } from '../units';
import type { SoilSeason } from '../weather';
import { fedBy, type Fed } from './fed';
import type { Near, SeasonInput, WeedFinding } from '../needs/seasonInput';
import { Usage } from './usage';
import { earlier, later, soilWindow, type SoilWindowRule, type StepWindow } from './window';

/** Everything about one zone that its steps are worked out from. */
export interface ZoneCase {
  input: SeasonInput;
  /** Every product as the company has it. */
  shelf: Shelf;
  zone: Zone;
  season: SoilSeason;
  areaFt2: number;
  grasses: GrassSlug[];
  main: GrassSlug;
  weeds: WeedFinding[];
  records: readonly Application[];
  usage: Usage;
  /** Wells and open water. */
  near: Near;
  /** Work that is planned already: what follows keeps clear of its limits. */
  planned: Application[];
  /** Days over which the ground is given up: killed, sown and left to come up. */
  givenUp: { from: LocalDate; to: LocalDate } | null;
  /** Nitrogen on record, and what planned work for another purpose brings. */
  fed: Fed[];
  /** Day that somebody set for the seed; `null`: its own best one. */
  sowOn: LocalDate | null;
  /** Somebody chose to kill the stand and sow it anew. */
  startOver: boolean;
}

/** Mean first hard frost in a year: the station's own, or the region's. */
export const hardFrost = (
  { frost, region }: Pick<SeasonInput, 'frost' | 'region'>,
  year: number,
): LocalDate => (frost ? localDate(`${year}-${frost}`) : firstFrost(region, year));

/** Mean first hard frost of a region in a year. */
export const firstFrost = (region: Region, year: number): LocalDate =>
  localDate(`${year}-${frostDates[region].first}`);

/** The zone's weeds: seen on the walk, and grasses of the stand that nobody wants. */
export function zoneWeeds(input: SeasonInput, zone: Zone): WeedFinding[] {
  const seen = input.findings.find(({ zoneId }) => zoneId === zone.id)?.weeds ?? [];
  const known = new Set(seen.map(({ weed }) => weed));
  const fromStand = contaminantWeeds(zone)
    .filter(({ weed, cover }) => !known.has(weed) && cover >= 0.02)
    .map(({ weed, cover }) => ({ weed, cover, growing: true }));
  return [...seen, ...fromStand];
}

/** Year's first window that is not over yet, this year or the next. */
export function nextWindow(
  season: SoilSeason,
  rule: SoilWindowRule,
  today: LocalDate,
): StepWindow | null {
  const year = yearOf(today);
  for (const y of [year, year + 1]) {
    const window = soilWindow(season, rule, y);
    if (window && window.closes >= today) {
      return { ...window, best: later(window.best, earlier(today, window.closes)) };
    }
  }
  return null;
}

/** What somebody has set and the rest of the plan keeps clear of. */
export interface Held {
  /** Work on its set day; it counts as if it were done. */
  work: readonly Application[];
  /** Days set for seed, by zone. */
  sowOn: ReadonlyMap<string, LocalDate>;
}
export const NOTHING_HELD: Held = { work: [], sowOn: new Map() };

/**
 * Everything about one zone that its steps are worked out from.
 * @throws RangeError when the zone has no soil season, or nobody has named the grass that is wanted there
 */
export function zoneCaseOf(
  input: SeasonInput,
  zone: Zone,
  { work, sowOn }: Held = NOTHING_HELD,
): ZoneCase {
  const season = input.soil.get(zone.id);
  if (!season) throw new RangeError(`no soil season for zone ${zone.id}`);
  const main = mainGrass(zone);
  if (!main) throw new RangeError(`no grass is named in zone ${zone.id}`);
  const shelf = shelfOf(input.policy.labels);
  const done = input.records.filter(({ zoneId }) => zoneId === zone.id);
  const held = work.filter(({ zoneId }) => zoneId === zone.id);
  const records = [...done, ...held];
  return {
    input,
    shelf,
    zone,
    season,
    areaFt2: zoneArea(zone),
    grasses: governingGrasses(zone),
    main,
    weeds: zoneWeeds(input, zone),
    records,
    usage: Usage.of(records, shelf),
    near: input.property.find(({ zoneId }) => zoneId === zone.id) ?? {},
    planned: [],
    givenUp: null,
    fed: [
      ...done.map((record) => fedBy(record, shelf)),
      ...held.map((one) => ({ ...fedBy(one, shelf), planned: true })),
    ],
    sowOn: sowOn.get(zone.id) ?? null,
    startOver: false,
  };
}
