import type { Region } from '@alfombra/core';

/** Station whose weather a new property of a region gets. */
export const stationOf: Readonly<Record<Region, string>> = {
  north: 'ridge',
  transition: 'valley',
  south: 'flats',
};
