import { lawnSchema, type Lawn } from '@alfombra/core';

export const TEST_LAWN = '0190a000-0000-7000-8000-00000000000b';
export const TEST_ZONE = '0190a000-0000-7000-8000-000000000001';

/** A rectangular lawn of one zone, 50 by 20 ft, for tests; `fields` change or add to it. */
export const testLawn = (fields: object = {}): Lawn =>
  lawnSchema.parse({
    id: TEST_LAWN,
    version: 1,
    name: '1 Test Street',
    customer: 'Nobody',
    region: 'transition',
    stationId: 'valley',
    upkeep: 'standard',
    zones: [
      {
        id: TEST_ZONE,
        name: 'Back',
        outline: [
          { x: 0, y: 0 },
          { x: 50, y: 0 },
          { x: 50, y: 20 },
          { x: 0, y: 20 },
        ],
        edges: ['confirmed', 'confirmed', 'confirmed', 'confirmed'],
        measure: { method: 'tape' },
        stand: [{ species: 'tall-fescue', cover: 0.7 }],
        desired: ['tall-fescue'],
        site: {},
      },
    ],
    ...fields,
  });
