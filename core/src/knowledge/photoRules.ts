import type { Source } from './source';

/** How a photo is read for cover and colour. */
export const photoRules = {
  green: {
    redToGreen: 0.95,
    blueToGreen: 0.95,
    excess: 20,
    source: { kind: 'published', ref: 'Patrignani & Ochsner 2015, Agronomy Journal 107' } as Source,
  },
  /** Brightness below which a pixel is shade and does not count (memory). */
  shadeBelow: 0.15,
  /** A smaller difference of the colour index within one photo is not seen (memory). */
  visibleIndex: 0.1,
  colour: { kind: 'published', ref: 'Karcher & Richardson 2003, Crop Science 43' } as Source,
} as const;
