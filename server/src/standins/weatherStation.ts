import {
  climateNormals,
  daysBetween,
  hoursOf,
  localDate,
  syntheticForecast,
  syntheticPast,
  syntheticYear,
  yearOf,
  type ClimateDay,
  type DailyWeather,
  type HourlyWeather,
  type LocalDate,
  type PastYear,
  type Region,
  type SyntheticClimate,
} from '@alfombra/core';

/** What the season needs of a weather service; a real one would sit behind the same interface. */
export interface WeatherStation {
  id: string;
  name: string;
  region: Region;
  standIn: boolean;
  /** Degrees north. */
  latitude: number;
  /** Days of one year up to and with `today`. */
  measured(today: LocalDate): DailyWeather[];
  forecast(today: LocalDate): (DailyWeather & { sdF: number })[];
  hours(date: LocalDate): HourlyWeather[];
  climate(): ClimateDay[];
  /** Years before one, the latest first. */
  past(year: number): PastYear[];
}

/** Years that a station keeps for the projection. */
const PAST_YEARS = 20;

interface StandIn {
  latitude: number;
  id: string;
  name: string;
  region: Region;
  seed: number;
  climate: SyntheticClimate;
}

/** Three invented stations of the invented valley (demo). */
const STAND_INS: readonly StandIn[] = [
  {
    id: 'ridge',
    name: 'Ridge (made-up weather)',
    region: 'north',
    seed: 52,
    latitude: 42.4,
    climate: {
      meanF: 47.5,
      halfRangeF: 24.5,
      warmestDay: 200,
      dailyHalfRangeF: [8, 12],
      sdF: [8, 5],
      wetShare: 0.3,
      wetDayIn: 0.34,
    },
  },
  {
    id: 'valley',
    name: 'Valley (made-up weather)',
    region: 'transition',
    seed: 36,
    latitude: 38.6,
    climate: {
      meanF: 56.5,
      halfRangeF: 21.5,
      warmestDay: 200,
      dailyHalfRangeF: [9, 11],
      sdF: [7.5, 4.5],
      wetShare: 0.28,
      wetDayIn: 0.4,
    },
  },
  {
    id: 'flats',
    name: 'River flats (made-up weather)',
    region: 'south',
    seed: 5,
    latitude: 31.2,
    climate: {
      meanF: 69,
      halfRangeF: 13.5,
      warmestDay: 203,
      dailyHalfRangeF: [10, 10],
      sdF: [7, 3],
      wetShare: 0.3,
      wetDayIn: 0.5,
    },
  },
];

class StandInStation implements WeatherStation {
  readonly standIn = true;
  private readonly years = new Map<number, DailyWeather[]>();
  private readonly pasts = new Map<number, PastYear[]>();

  constructor(private readonly spec: StandIn) {}

  get id() {
    return this.spec.id;
  }
  get name() {
    return this.spec.name;
  }
  get region() {
    return this.spec.region;
  }
  get latitude() {
    return this.spec.latitude;
  }

  private year(year: number): DailyWeather[] {
    let days = this.years.get(year);
    if (!days) {
      days = syntheticYear(this.spec.climate, year, this.spec.seed);
      this.years.set(year, days);
    }
    return days;
  }

  measured(today: LocalDate): DailyWeather[] {
    const year = yearOf(today);
    return this.year(year).slice(0, daysBetween(localDate(`${year}-01-01`), today) + 1);
  }

  forecast(today: LocalDate) {
    const year = yearOf(today);
    const index = daysBetween(localDate(`${year}-01-01`), today) + 1;
    const truth = [...this.year(year), ...this.year(year + 1)].slice(index);
    return syntheticForecast(truth, today, this.spec.seed);
  }

  hours(date: LocalDate): HourlyWeather[] {
    const day = this.measured(date).pop();
    return day ? hoursOf(day) : [];
  }

  climate(): ClimateDay[] {
    return climateNormals(this.spec.climate);
  }

  past(year: number): PastYear[] {
    let past = this.pasts.get(year);
    if (!past) {
      past = syntheticPast(this.spec.climate, year, PAST_YEARS, this.spec.seed);
      this.pasts.set(year, past);
    }
    return past;
  }
}

/** Every station that the stand-in service has, by id. */
export const standInStations: ReadonlyMap<string, WeatherStation> = new Map(
  STAND_INS.map((spec) => [spec.id, new StandInStation(spec)]),
);
