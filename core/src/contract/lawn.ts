import { z } from 'zod';
import { regionSchema } from '../knowledge';
import { patchSchema, pointSchema, zoneSchema } from '../lawn';
import { clashChoicesSchema, upkeepSchema } from '../program';

/** Something on the plan that is not lawn, drawn so that the technician knows where they stand. */
export const featureSchema = z.object({
  kind: z.enum(['house', 'drive', 'bed', 'walk', 'water']),
  outline: z.array(pointSchema).min(3),
});

/** A lawn as it is stored: whose it is, where it stands, its zones and damaged patches. */
export const lawnBodySchema = z.object({
  /** What the technician calls it; usually the street and number. */
  name: z.string().trim().min(1, 'give the lawn a name').max(80),
  customer: z.string().trim().max(80),
  region: regionSchema,
  stationId: z.string(),
  upkeep: upkeepSchema,
  zones: z.array(zoneSchema).min(1, 'a lawn has at least one zone'),
  patches: z.array(patchSchema).default([]),
  features: z.array(featureSchema).default([]),
  /** Answers to clashes between seeding and prevention, by clash id. */
  choices: clashChoicesSchema.default({}),
});
export type LawnBody = z.infer<typeof lawnBodySchema>;

export const lawnSchema = lawnBodySchema.extend({ id: z.uuid(), version: z.number().int() });
export type Lawn = z.infer<typeof lawnSchema>;

/** Body of a PUT: the version it was read at; 0 for a new one. */
export const versioned = <Shape extends z.ZodRawShape>(body: z.ZodObject<Shape>) =>
  body.extend({ version: z.number().int().min(0) });

export const lawnSummarySchema = z.object({
  id: z.uuid(),
  name: z.string(),
  customer: z.string(),
  region: regionSchema,
  areaFt2: z.number(),
  grasses: z.array(z.object({ species: z.string(), cover: z.number() })),
  lastVisit: z.string().nullable(),
  /** Steps open today. */
  due: z.array(
    z.object({
      stepId: z.string(),
      kind: z.enum(['prevent', 'control', 'feed', 'seed', 'look-again']),
      zone: z.string(),
      closes: z.string(),
    }),
  ),
  /** Next step that is not open yet. */
  next: z
    .object({
      kind: z.enum(['prevent', 'control', 'feed', 'seed', 'look-again']),
      opens: z.string(),
    })
    .nullable(),
  clashes: z.number().int(),
});
export type LawnSummary = z.infer<typeof lawnSummarySchema>;
