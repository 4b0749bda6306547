import { seededRandom, toGeo } from '@alfombra/core';
import type { Fix } from '@alfombra/core/measuring';

/** Where position fixes come from. Gives the function that ends them. @throws when it may not ask */
export type LocationSource = (onFix: (fix: Fix) => void) => Promise<() => void>;

const EVERY_MS = 1000;
/** How fast the made-up walk plays, ms a fix. */
const STAND_IN_MS = 60;

/** The device's own receiver. */
export const deviceLocation: LocationSource = async (onFix) => {
  const Location = await import('expo-location');
  const { granted } = await Location.requestForegroundPermissionsAsync();
  if (!granted) throw new Error('no permission');
  const begun = Date.now();
  const subscription = await Location.watchPositionAsync(
    { accuracy: Location.Accuracy.BestForNavigation, timeInterval: EVERY_MS, distanceInterval: 0 },
    ({ coords, timestamp }) =>
      onFix({
        lat: coords.latitude,
        lon: coords.longitude,
        accuracyM: coords.accuracy ?? 20,
        seconds: (timestamp - begun) / 1000,
      }),
  );
  return () => subscription.remove();
};

const WIDE_FT = 64;
const DEEP_FT = 38;
const PACE_FT = 4.2;

/** A made-up walker round a made-up lawn, with noise and a spike now and then; always the same. */
export const standInWalker: LocationSource = (onFix) => {
  const random = seededRandom(7);
  const origin = { lat: 36.2, lon: -30.1 };
  const round = 2 * (WIDE_FT + DEEP_FT);
  let step = 0;
  const timer = setInterval(() => {
    const s = Math.min(round - 0.1, step * PACE_FT);
    const p =
      s < WIDE_FT
        ? { x: s, y: 0 }
        : s < WIDE_FT + DEEP_FT
          ? { x: WIDE_FT, y: s - WIDE_FT }
          : s < 2 * WIDE_FT + DEEP_FT
            ? { x: 2 * WIDE_FT + DEEP_FT - s, y: DEEP_FT }
            : { x: 0, y: round - s };
    const spike = step > 3 && random() < 0.06 ? 60 : 0;
    const noise = () => (random() - 0.5) * 3;
    onFix({
      ...toGeo({ x: p.x + noise() + spike, y: p.y + noise() }, origin),
      accuracyM: 2.5 + random() * 2,
      seconds: step * 1.1,
    });
    step += 1;
    if (step * PACE_FT > round) clearInterval(timer);
  }, STAND_IN_MS);
  return Promise.resolve(() => clearInterval(timer));
};
