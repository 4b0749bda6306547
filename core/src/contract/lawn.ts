import { z } from 'zod';
import { regionSchema, slugSchema, weed } from '../knowledge';
import {
  MOST_CORNERS,
  MOST_FT,
  outlineSchema,
  patchSchema,
  pointSchema,
  upkeepSchema,
  zoneSchema,
} from '../lawn';
import { agreementSchema, clashChoicesSchema, decidedSchema, lookAnswerSchema } from '../needs';
import { TIME_ZONES } from '../units';
import { localDateSchema } from '../weather';
import { questionSchema } from './question';

/** Something on the plan that is not lawn, drawn so that the technician knows where they stand. */
export const featureSchema = z.object({
  kind: z.enum(['house', 'drive', 'bed', 'walk', 'water']),
  outline: outlineSchema,
});

/** Things noted at one spot of the plan. */
export const PIN_KINDS = [
  'irrigation-head',
  'dry-gap',
  'wet-roof',
  'wet-gutter',
  'wet-drain',
  'wet-drip',
  'wet-low-ground',
  'snow-pile',
  'pet-door',
  'well',
  'tree',
  'utility-box',
  'rock',
  'hazard',
] as const;
export const pinSchema = z.object({
  id: z.uuid(),
  kind: z.enum(PIN_KINDS),
  at: pointSchema,
  note: z.string().max(300).default(''),
  seenOn: localDateSchema,
});
export type Pin = z.infer<typeof pinSchema>;

/** Things noted along a line of the plan. */
export const LINE_KINDS = [
  'pavement',
  'road',
  'harbour-edge',
  'traffic-route',
  'mow-line',
  'fence',
] as const;
export const planLineSchema = z.object({
  id: z.uuid(),
  kind: z.enum(LINE_KINDS),
  points: z.array(pointSchema).min(2).max(MOST_CORNERS),
  note: z.string().max(300).default(''),
  seenOn: localDateSchema,
});
export type PlanLine = z.infer<typeof planLineSchema>;

/** A weed patch drawn on the plan; the category alone is enough until it has a name. */
export const weedPatchSchema = z.object({
  id: z.uuid(),
  zoneId: z.uuid(),
  plant: z.discriminatedUnion('kind', [
    z.object({
      kind: z.literal('weed'),
      weed: slugSchema.refine((slug) => weed(slug) !== undefined, 'unknown weed'),
      /** Posterior of the key when it was named with it, 0-1. */
      confidence: z.number().min(0).max(1).nullable().default(null),
    }),
    z.object({ kind: z.literal('category'), category: z.enum(['sedge', 'broadleaf', 'grassy']) }),
  ]),
  centre: pointSchema,
  /** ft, longest way and across. */
  lengthFt: z.number().positive('a patch has a length above 0').max(MOST_FT),
  widthFt: z.number().positive('a patch has a width above 0').max(MOST_FT),
  /** Share of the patch's own ground under the weed, 0-1. */
  cover: z.number().min(0).max(1, 'cover is a share of the ground, 0 to 1'),
  stage: z.enum(['seedling', 'untillered', '2-4-tiller', 'mature-seeded', 'flowering']),
  seenOn: localDateSchema,
  /** Waits for a better look, for instance when it has greened up. */
  lookAgainOn: localDateSchema.nullable().default(null),
  /** Put to a colleague, with what was seen of the plant by character and a photo; `null`: nobody is asked. */
  asked: z
    .object({
      on: localDateSchema,
      seen: z.record(slugSchema, slugSchema),
      photoId: z.uuid().nullable().default(null),
    })
    .nullable()
    .default(null),
});
export type WeedPatch = z.infer<typeof weedPatchSchema>;

/** Days of the week as a calendar of the country lists them. */
export const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

/** How a property is to be treated and reached. */
export const propertySchema = z.object({
  access: z.string().max(500).default(''),
  mows: z.enum(['owner', 'service', 'us', 'unknown']).default('unknown'),
  /** Usual days; none: nobody said, or there are none. */
  mowDays: z.array(z.enum(WEEKDAYS)).max(7).default([]),
  waters: z.enum(['owner', 'system', 'nobody', 'unknown']).default('unknown'),
  waterDays: z.array(z.enum(WEEKDAYS)).max(7).default([]),
  /** Where its days begin; `null` where the company's do. */
  timeZone: z.enum(TIME_ZONES).nullable().default(null),
  /** Time of day at which the water runs. */
  waterAt: z.enum(['early', 'midday', 'evening', 'unknown']).default('unknown'),
  intensity: z.enum(['gentle', 'normal', 'hard']).default('normal'),
  budget: z.string().max(120).default(''),
  pets: z.boolean().nullable().default(null),
  children: z.boolean().nullable().default(null),
  waterNear: z.enum(['none', 'pond-or-stream', 'well', 'unknown']).default('unknown'),
  sensitiveNeighbours: z.string().max(300).default(''),
});
export type Property = z.infer<typeof propertySchema>;

/** Weeds that were lifted out: by whose address, when, and over how much ground. */
export const handDoneSchema = z.object({
  work: z.string().max(220),
  date: localDateSchema,
  areaFt2: z.number().positive('an area is above 0').max(100_000_000),
});

/** A lawn as it is stored: whose it is, where it stands, its zones and damaged patches. */
export const lawnBodySchema = z.object({
  /** What the technician calls it; usually the street and number. */
  name: z.string().trim().min(1, 'give the lawn a name').max(80),
  customer: z.string().trim().max(80),
  customerId: z.uuid().nullable().default(null),
  archived: z.boolean().default(false),
  /** Place of the plan's corner on the ellipsoid, degrees; `null` until somebody knows. */
  origin: z
    .object({ lat: z.number().min(-90).max(90), lon: z.number().min(-180).max(180) })
    .nullable()
    .default(null),
  /** Where north lies, clockwise from the top of the plan, degrees; `null`: nobody said. */
  northDeg: z.number().min(0).max(360).nullable().default(null),
  property: propertySchema.prefault({}),
  region: regionSchema,
  stationId: z.string().min(1).max(60),
  upkeep: upkeepSchema,
  /** Empty until somebody has measured. */
  zones: z.array(zoneSchema).max(100),
  patches: z.array(patchSchema).max(500).default([]),
  features: z.array(featureSchema).max(200).default([]),
  pins: z.array(pinSchema).max(500).default([]),
  lines: z.array(planLineSchema).max(200).default([]),
  weedPatches: z.array(weedPatchSchema).max(500).default([]),
  questions: z.array(questionSchema).max(300).default([]),
  /** What was agreed with the customer; `null`: everything. */
  agreement: agreementSchema.nullable().default(null),
  /** Answers to clashes between seeding and prevention, by clash id. */
  choices: clashChoicesSchema.default({}),
  /** What was decided about needs and their work, each under what it is about: two devices' words meet there. */
  decisions: z.record(z.string().max(220), decidedSchema).default({}),
  /** What was seen at dated returns, each under its need and day. */
  looks: z.record(z.string().max(220), lookAnswerSchema).default({}),
  /** Work by hand that was done, each under its address: it puts nothing down, so it is no application. */
  handDone: z.record(z.string().max(220), handDoneSchema).default({}),
});
export type LawnBody = z.infer<typeof lawnBodySchema>;

export const lawnSchema = lawnBodySchema.extend({ id: z.uuid(), version: z.number().int() });
export type Lawn = z.infer<typeof lawnSchema>;

/** Body of a PUT: the version it was read at; 0 for a new one. */
// eslint-disable-next-line no-restricted-syntax -- A schema made of a schema.
export const versioned = <Shape extends z.ZodRawShape>(body: z.ZodObject<Shape>) =>
  body.extend({ version: z.number().int().min(0) });

/** How far the seasons of a company's lawns are worked out; 0 of 0 when nothing is under way. */
export const seasonProgressSchema = z.object({
  done: z.number().int().nonnegative(),
  total: z.number().int().nonnegative(),
});
export type SeasonProgress = z.infer<typeof seasonProgressSchema>;
