import { meanAir, seededRandom, type WeatherBundle } from '@alfombra/core';

/** A thermometer that gives several spots, °F; a real one would sit behind the same type. */
export type Probe = (weather: WeatherBundle) => number[];

const SPOTS = 5;
/** Days of air that the made-up soil follows. */
const DAYS = 5;
/** Spread from spot to spot, °F, and how much warmer than the air the soil reads. */
const SPREAD_F = 3;
const WARMER_F = 1;

/** The stand-in probe: near the mean air of the last days, the same on the same day. */
export const standInProbe: Probe = ({ days, today }) => {
  const last = days.slice(-DAYS);
  const air = last.reduce((sum, day) => sum + meanAir(day), 0) / last.length;
  const random = seededRandom(Number(today.replace(/-/g, '')));
  return Array.from({ length: SPOTS }, () =>
    Number((air + WARMER_F + (random() - 0.5) * SPREAD_F).toFixed(1)),
  );
};
