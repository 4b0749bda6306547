import { shelfLabelSchema, type ShelfLabel } from '@alfombra/core';
import { demoId } from './company';

/** Labels on the demo company's shelf: made-up names and prices, typical figures. */
export const demoLabels = (): ShelfLabel[] =>
  [
    {
      base: { kind: 'treatment', slug: 'chlorantraniliprole' },
      name: 'House grub insecticide (made up)',
      registration: 'MADE-UP-101',
      signalWord: 'none',
      unit: 'fl-oz',
      actives: [{ name: 'chlorantraniliprole', amount: 1.67, unit: 'lb-per-gal' }],
      lowPerAcre: 8,
      highPerAcre: 15.6,
      maxPerYear: 38,
      waterInIn: 0.25,
      homeLawns: true,
      packageAmount: 64,
      priceUsd: 410,
      packages: 1.5,
    },
    {
      base: { kind: 'treatment', slug: 'azoxystrobin' },
      name: 'House patch fungicide (made up)',
      registration: 'MADE-UP-102',
      signalWord: 'caution',
      unit: 'oz',
      actives: [{ name: 'azoxystrobin', amount: 50, unit: 'percent' }],
      lowPerAcre: 8.7,
      highPerAcre: 17.4,
      minIntervalDays: 14,
      waterInIn: 0.1,
      homeLawns: true,
      packageAmount: 16,
      priceUsd: 96,
      packages: 3,
    },
    {
      base: { kind: 'treatment', slug: 'bifenthrin' },
      name: 'Surface insect spray (made up)',
      registration: 'MADE-UP-103',
      signalWord: 'caution',
      unit: 'fl-oz',
      actives: [{ name: 'bifenthrin', amount: 0.67, unit: 'lb-per-gal' }],
      lowPerAcre: 0.25,
      // As a hasty hand might type it: per 1,000 ft² taken for per acre.
      highPerAcre: 0.87,
      homeLawns: true,
      packageAmount: 128,
      priceUsd: 88,
      packages: 0,
    },
    {
      base: { kind: 'fertilizer', slug: '24-0-11-half-slow' },
      name: 'Spring feed 24-0-11 (made up)',
      signalWord: 'none',
      unit: 'lb',
      highPerAcre: 182,
      homeLawns: true,
      packageAmount: 50,
      priceUsd: 31,
      packages: 14,
    },
  ].map((label, index) =>
    shelfLabelSchema.parse({
      ...label,
      id: demoId(9, index + 1),
    }),
  );
