import {
  addDays,
  assumedGrass,
  grass,
  localDate,
  regionGrass,
  yearOf,
  zoneSchema,
  type LocalDate,
  type ProbeReading,
  type Region,
  type SoilCrossing,
  type Upkeep,
  type WeatherBundle,
  type Zone,
} from '@alfombra/core';
import {
  degreeDayModels,
  lawnYear,
  readDay,
  type DayReading,
  type DegreeDaySum,
  type SoilThreshold,
} from '@alfombra/core/ground';

/** What a year of the ground is worked out from. */
export interface YearQuestion {
  zone: Zone;
  region: Region;
  upkeep: Upkeep;
  readings: ProbeReading[];
  weather: WeatherBundle;
}

/** A year of the ground as plain data, one entry a day from 1 January. */
export interface YearView {
  today: LocalDate;
  measuredDays: number;
  days: DayReading[];
  soil4F: (number | null)[];
  deficitLowIn: number[];
  deficitHighIn: number[];
  /** Deficit from which the turf suffers, and all that the soil holds, in. */
  readilyIn: number;
  totalIn: number;
  thresholds: { threshold: SoilThreshold; crossing: SoilCrossing | null }[];
  degreeDays: (DegreeDaySum & { windowFDays: readonly [number, number]; baseF: number })[];
  nitrogenByMonth: number[];
  season: 'cool' | 'warm';
}

const UPKEEP_INDEX = { basic: 0, standard: 1, showpiece: 2 } as const;

/** Works out a zone's year. Runs in a worker; pure. */
export function yearView(question: YearQuestion): YearView {
  const { region, upkeep, readings, weather } = question;
  const main = assumedGrass(question.zone, region);
  const zone = { ...question.zone, desired: [main] };
  const yearly = grass(main).nitrogen?.yearLbPer1000[UPKEEP_INDEX[zone.upkeep ?? upkeep]] ?? 0;
  const year = lawnYear(zone, weather, readings, yearly);
  const first = localDate(`${yearOf(weather.today)}-01-01`);
  const days: DayReading[] = [];
  for (let date = first; yearOf(date) === yearOf(first); date = addDays(date, 1)) {
    const reading = readDay(year, zone, region, date);
    if (reading) days.push(reading);
  }
  return {
    today: weather.today,
    measuredDays: year.measuredDays,
    days,
    soil4F: year.soil4.meanF.slice(0, days.length),
    deficitLowIn: year.deficitLowIn.slice(0, days.length),
    deficitHighIn: year.deficitHighIn.slice(0, days.length),
    readilyIn: year.zone.readilyIn,
    totalIn: year.zone.totalIn,
    thresholds: year.thresholds,
    degreeDays: year.degreeDays.flatMap((sum) => {
      const model = degreeDayModels.find(({ slug }) => slug === sum.slug);
      return model ? [{ ...sum, windowFDays: model.windowFDays, baseF: model.baseF }] : [];
    }),
    nitrogenByMonth: year.nitrogenByMonth,
    season: year.season,
  };
}

/** An open lawn in the sun, as the yardstick of a region. */
export const referenceZone = (region: Region): Zone =>
  zoneSchema.parse({
    id: '0190de02-0000-7000-8000-00000000face',
    name: region,
    outline: [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
    ],
    edges: ['confirmed', 'confirmed', 'confirmed'],
    stand: [{ species: regionGrass[region], cover: 0.95 }],
    desired: [regionGrass[region]],
    site: { factors: ['full-sun-short'], irrigated: false },
  });
