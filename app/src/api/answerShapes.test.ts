import { createHash } from 'node:crypto';
import {
  applicationRecordSchema,
  companySchema,
  customerSchema,
  lawnRevisionSchema,
  lawnSchema,
  lawnSummarySchema,
  photoSchema,
  readingSchema,
  reportSchema,
  soilSampleSchema,
  visitSchema,
  weatherBundleSchema,
} from '@alfombra/core';
import { z } from 'zod';
import { answerStore } from './answerStore';

/** What the server says and a device keeps, as its screens expect it. */
const KEPT = [
  applicationRecordSchema,
  companySchema,
  customerSchema,
  lawnRevisionSchema,
  lawnSchema,
  lawnSummarySchema,
  photoSchema,
  readingSchema,
  reportSchema,
  soilSampleSchema,
  visitSchema,
  weatherBundleSchema,
];

it('keeps nothing of another shape: who changes one raises the mark of the store', () => {
  const shapes = KEPT.map((schema) => z.toJSONSchema(schema, { unrepresentable: 'any' }));
  const shape = createHash('sha256').update(JSON.stringify(shapes)).digest('base64url');
  // Where this fails, raise `BUSTER` in answerStore.ts and write both here: what older devices keep lacks the new fields.
  expect([answerStore.buster, shape.slice(0, 12)]).toEqual(['v6', 'diJRPG88JAYg']);
});
