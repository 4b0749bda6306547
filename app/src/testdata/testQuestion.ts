import {
  climateNormals,
  companySchema,
  localDate,
  policySchema,
  syntheticForecast,
  syntheticYear,
  type WeedFinding,
} from '@alfombra/core';
import type { SeasonQuestion } from '@/workers/seasonView';
import { TEST_LAWN, TEST_ZONE, testLawn } from './testLawn';

/** The only zone of the question's lawn. */
export const QUESTION_ZONE = TEST_ZONE;
const CLIMATE = {
  meanF: 56,
  halfRangeF: 21,
  warmestDay: 200,
  dailyHalfRangeF: [9, 11] as [number, number],
  sdF: [7, 5] as [number, number],
  wetShare: 0.28,
  wetDayIn: 0.4,
};

/**
 * A tall fescue lawn on 8 April with everything that its season is worked out from.
 * @param weeds what the last walk found
 */
export function testQuestion({
  weeds = [{ weed: 'large-crabgrass', cover: 0.05, growing: false }],
  policy = {},
}: { weeds?: WeedFinding[]; policy?: object } = {}): SeasonQuestion {
  const today = localDate('2026-04-08');
  const year = syntheticYear(CLIMATE, 2026, 3);
  return {
    company: companySchema.parse({
      id: '0190a000-0000-7000-8000-00000000000a',
      name: 'Test',
      demo: false,
      clock: { kind: 'fixed', date: today },
      policy: policySchema.parse(policy),
      version: 1,
      today,
    }),
    lawn: testLawn({
      zones: testLawn().zones.map((zone) => ({
        ...zone,
        outline: [
          { x: 0, y: 0 },
          { x: 60, y: 0 },
          { x: 60, y: 50 },
          { x: 0, y: 50 },
        ],
        stand: [{ species: 'tall-fescue', cover: 0.95 }],
        site: { ...zone.site, factors: ['full-sun-tall'] },
      })),
    }),
    visits: [
      {
        id: '0190a000-0000-7000-8000-00000000000c',
        version: 1,
        lawnId: TEST_LAWN,
        date: today,
        technician: '',
        promised: '',
        note: '',
        looks: [
          {
            zoneId: QUESTION_ZONE,
            patchId: null,
            answers: {},
            tests: [],
            fieldTests: [],
            leading: [],
            decision: null,
            weeds,
            pointCount: undefined,
          },
        ],
      },
    ],
    records: [],
    readings: [],
    samples: [],
    weather: {
      station: { id: 'valley', name: 'Valley', region: 'transition', latitude: 38, standIn: true },
      today,
      days: year.slice(0, 98),
      forecast: syntheticForecast(year.slice(98), today, 3),
      climate: climateNormals(CLIMATE),
      past: [],
    },
    sightings: [],
  };
}
