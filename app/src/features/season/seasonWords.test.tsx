import {
  companySchema,
  lawnSchema,
  localDate,
  syntheticForecast,
  syntheticYear,
  climateNormals,
  type Step,
} from '@alfombra/core';
import { render, screen } from '@testing-library/react';
import { i18next } from '@/i18n';
import '@/i18n/deepWords';
import { SeasonStrip } from './SeasonStrip';
import { productLines } from './productWords';
import { checkWords, reasonWords } from './reasonWords';
import { seasonView, type SeasonQuestion } from './seasonView';
import { stepName } from './stepName';

const ZONE = '0190a000-0000-7000-8000-000000000001';
const CLIMATE = {
  meanF: 56,
  halfRangeF: 21,
  warmestDay: 200,
  dailyHalfRangeF: [9, 11] as [number, number],
  sdF: [7, 5] as [number, number],
  wetShare: 0.28,
  wetDayIn: 0.4,
};

function question(): SeasonQuestion {
  const today = localDate('2026-04-08');
  const year = syntheticYear(CLIMATE, 2026, 3);
  return {
    company: companySchema.parse({
      id: '0190a000-0000-7000-8000-00000000000a',
      name: 'Test',
      demo: false,
      clock: { kind: 'fixed', date: today },
      policy: {},
      version: 1,
      today,
    }),
    lawn: lawnSchema.parse({
      id: '0190a000-0000-7000-8000-00000000000b',
      version: 1,
      name: 'Test lawn',
      customer: '',
      region: 'transition',
      stationId: 'valley',
      upkeep: 'standard',
      zones: [
        {
          id: ZONE,
          name: 'Back',
          outline: [
            { x: 0, y: 0 },
            { x: 60, y: 0 },
            { x: 60, y: 50 },
            { x: 0, y: 50 },
          ],
          edges: ['confirmed', 'confirmed', 'confirmed', 'confirmed'],
          stand: [{ species: 'tall-fescue', cover: 0.95 }],
          desired: ['tall-fescue'],
          site: { factors: ['full-sun-tall'] },
        },
      ],
    }),
    visits: [
      {
        id: '0190a000-0000-7000-8000-00000000000c',
        version: 1,
        lawnId: '0190a000-0000-7000-8000-00000000000b',
        date: today,
        technician: '',
        promised: '',
        note: '',
        looks: [
          {
            zoneId: ZONE,
            patchId: null,
            answers: {},
            tests: [],
            fieldTests: [],
            leading: [],
            decision: null,
            weeds: [{ weed: 'large-crabgrass', cover: 0.05, growing: false }],
            pointCount: undefined,
          },
        ],
      },
    ],
    records: [],
    readings: [],
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

const view = seasonView(question());
const t = i18next.t.bind(i18next);

it('leaves a worker whole: plain data, one soil a zone', () => {
  expect(structuredClone(view)).toEqual(view);
  expect(Object.keys(view.soil)).toEqual([ZONE]);
});

it('words every step and every reason, with no key or placeholder left over', () => {
  const words = view.season.steps.flatMap((step: Step) => [
    stepName(t, step),
    ...step.because.map((reason) => reasonWords(t, reason)),
    ...('excluded' in step
      ? step.excluded.flatMap(({ reasons }) => reasons.map((reason) => reasonWords(t, reason)))
      : []),
    ...productLines(t, step).map(({ name, unit }) => `${name} ${unit}`),
  ]);
  expect(words.length).toBeGreaterThan(20);
  for (const line of words) {
    expect(line).not.toMatch(/\{\{|rule\.|herbicide\.|unit\.|group\.|undefined|NaN/);
  }
});

it('words a finding of the checker with its numbers', () => {
  expect(
    checkWords(t, { rule: 'rate-over-label', inputs: { rate: 72.6, max: 64, unit: 'fl-oz' } }),
  ).toBe('Rate 72.6 fl oz an acre; the label allows 64');
});

it('tells the strip to those who do not see it', () => {
  const soil = view.soil[ZONE]!;
  render(<SeasonStrip soil={soil} steps={view.season.steps} />);
  expect(
    screen.getByRole('img', { name: /Soil temperature over the year: .+ °F on Apr 8/ }),
  ).toBeTruthy();
});
