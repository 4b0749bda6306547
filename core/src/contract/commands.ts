import { z } from 'zod';
import { grassSlugSchema, slugSchema, SITE_FACTORS } from '../knowledge';
import { LIBRARY, shelfLabelSchema } from '../products';
import { diagnosisInputSchema } from '../diagnosis';
import { soilReportSchema, zoneSoilSchema } from '../fertility';
import { standSchema } from '../lawn';
import type { CheckContext } from '../checker';
import {
  agreementSchema,
  courseChoiceSchema,
  nearSchema,
  notHereSchema,
  ordinanceSchema,
  workPinSchema,
  seasonRequestSchema,
} from '../needs';
import { weedPatchSchema } from './lawn';
import { materialSchema } from '../rates';
import { localDateSchema, probeReadingSchema, weatherBundleSchema } from '../weather';

/** Input of `soil`: a year's weather and the thresholds to look for. */
export const soilCommandSchema = z.object({
  weather: weatherBundleSchema,
  factors: z.array(z.enum(SITE_FACTORS)).default([]),
  readings: z.array(probeReadingSchema).default([]),
  thresholds: z
    .array(z.object({ valueF: z.number(), direction: z.enum(['rising', 'falling']) }))
    .default([
      { valueF: 50, direction: 'rising' },
      { valueF: 55, direction: 'rising' },
      { valueF: 70, direction: 'falling' },
    ]),
});

/** An application with its id and zone, as the judge reads it. */
const applicationSchema = z.object({
  id: z.string(),
  zoneId: z.string(),
  date: localDateSchema,
  areaFt2: z.number().positive('the treated area is above 0'),
  materials: z.array(materialSchema).min(1),
});

/**
 * What was done on a day, over one or more zones; amounts are those of all of them together. Work by hand puts nothing
 * down and names its job.
 */
export const workRecordSchema = z
  .strictObject({
    id: z.string().max(200),
    /** The job that it did. */
    jobId: z.string().max(200).optional(),
    date: localDateSchema,
    zones: z
      .array(
        z.strictObject({
          zoneId: z.uuid(),
          areaFt2: z.number().positive('the treated area is above 0'),
        }),
      )
      .min(1, 'say where it was done'),
    materials: z.array(materialSchema),
    /** Share of its work that it did, 0-1. */
    effect: z.number().min(0).max(1, 'an effect is a share, 0 to 1').optional(),
    /** Weeds and causes that it was meant for. */
    targets: z.array(slugSchema).max(100).optional(),
  })
  .refine(({ materials, jobId }) => materials.length > 0 || jobId !== undefined, {
    path: ['materials'],
    message: 'name what was put down, or the job that was done by hand',
  });

/** A weed as it lies on the lawn: named, or of a kind that somebody will name. */
const drawnPatchSchema = z.strictObject({
  zoneId: z.uuid(),
  ...weedPatchSchema.pick({
    plant: true,
    lengthFt: true,
    widthFt: true,
    cover: true,
    stage: true,
    seenOn: true,
  }).shape,
});

/** Points of a count and the hits among them on grass that is wanted. */
const zoneCountSchema = z
  .strictObject({
    zoneId: z.uuid(),
    date: localDateSchema,
    hits: z.number().int().min(0).max(100_000),
    points: z.number().int().positive('count at least one point').max(100_000),
  })
  .refine(({ hits, points }) => hits <= points, {
    path: ['hits'],
    message: 'more hits than points',
  });

/** A lawn's question: what it is, what was found, its weather and its records. */
const lawnQuestionSchema = z.strictObject({
  ...seasonRequestSchema.shape,
  agreement: agreementSchema.strict().nullable().default(null),
  decisions: z
    .array(
      z.discriminatedUnion('kind', [
        notHereSchema.strict(),
        workPinSchema.strict(),
        courseChoiceSchema.strict(),
      ]),
    )
    .max(2000)
    .default([]),
  property: z
    .array(nearSchema.extend({ zoneId: z.uuid() }).strict())
    .max(1000)
    .default([]),
  /** Bags of soil, with their reports where they are in. */
  soilReports: z
    .array(
      zoneSoilSchema
        .extend({ report: soilReportSchema.strict().nullable().default(null) })
        .strict(),
    )
    .max(1000)
    .default([]),
  /** Weeds that are drawn with their size, beside what the walks found. */
  patches: z.array(drawnPatchSchema).max(500).default([]),
  /** Point counts; the last of a zone is read. */
  counts: z.array(zoneCountSchema).max(1000).default([]),
  /** What the lawn's own town has ruled, in place of the company's area. */
  rules: ordinanceSchema.strict().optional(),
  weather: weatherBundleSchema,
  readings: z.array(probeReadingSchema).default([]),
  records: z.array(workRecordSchema).default([]),
  /** Insects and diseases that were here, or were prevented, in the last three years. */
  history: z
    .array(z.strictObject({ zoneId: z.uuid(), causes: z.array(slugSchema).max(50) }))
    .default([]),
});
export type LawnQuestion = z.output<typeof lawnQuestionSchema>;

/** Input of `season`: the lawn's question, and an earlier one of it to tell what moved. */
export const seasonCommandSchema = lawnQuestionSchema.extend({
  /** With the rate card of every zone. */
  rateCard: z.boolean().default(false),
  /** Last day of the jobs and looks that are told. */
  until: localDateSchema.optional(),
  previous: lawnQuestionSchema.optional(),
});

/** Input of `amounts` for a zone of a lawn: every product at its rate on this grass in the soil of a day. */
export const zoneAmountsCommandSchema = z.strictObject({
  lawn: lawnQuestionSchema,
  zoneId: z.uuid(),
  /** The day; today unless it is given. */
  date: localDateSchema.optional(),
});

/** Input of `amounts`: a mix, an area and a tank. A rate comes with its unit. */
export const amountsCommandSchema = z.object({
  products: z
    .array(
      z
        .object({
          herbicide: z
            .string()
            .refine((slug) => LIBRARY.herbicide(slug) !== undefined, 'unknown herbicide'),
          rate: z.number().positive('a rate is above 0'),
          unit: z.enum(
            ['oz/acre', 'fl-oz/acre', 'lb/acre', 'dose/acre', 'oz/1000', 'fl-oz/1000', 'lb/1000'],
            {
              error: 'a rate needs its unit, for example "fl-oz/acre"',
            },
          ),
        })
        .superRefine((line, context) => {
          const expected = LIBRARY.herbicide(line.herbicide)?.unit;
          const given = line.unit.split('/')[0];
          if (expected && given !== expected) {
            context.addIssue({
              code: 'custom',
              path: ['unit'],
              message: `${line.herbicide} is measured in ${expected}, not in ${given}`,
            });
          }
        }),
    )
    .min(1),
  areaFt2: z.number().positive('the area is above 0'),
  carrierGalPer1000: z.number().positive().default(1),
  tankGal: z.number().positive('the tank holds more than 0 gal'),
  labels: z.array(shelfLabelSchema).default([]),
});

const judgedSchema = applicationSchema
  .extend({ targets: z.array(slugSchema).max(100).optional() })
  .strict();

const feetSchema = z.number().min(0).nullable().optional();

/**
 * Input of `check`: one application and what is known around it. What it does not know it refuses: a rule that
 * is not asked would read as an all-clear.
 */
export const checkCommandSchema = z.strictObject({
  application: judgedSchema,
  context: z.strictObject({
    stand: standSchema,
    desired: z.array(grassSlugSchema).min(1),
    zoneFt2: z.number().positive('the zone has an area above 0'),
    others: z.array(judgedSchema).default([]),
    airHighF: z.number().optional(),
    airF: z.number().optional(),
    soilF: z.number().optional(),
    soilRising: z.boolean().optional(),
    windMph: z.number().min(0).optional(),
    drought: z.boolean().optional(),
    irrigated: z.boolean().optional(),
    treeRoots: z.boolean().optional(),
    tenderPlants: z.boolean().optional(),
    youngTurf: z.boolean().optional(),
    wellFt: feetSchema,
    waterFt: feetSchema,
    children: z.boolean().optional(),
    pets: z.boolean().optional(),
    firstFrost: z
      .string()
      .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'a month and a day as MM-DD')
      .optional(),
    kill: z.boolean().optional(),
    certified: z.boolean().optional(),
    confirmedLabels: z.array(z.string()).optional(),
    labels: z.array(shelfLabelSchema).optional(),
    bloom: z.boolean().optional(),
    rainInHours: z.number().min(0).optional(),
    rainSoonIn: z.number().min(0).optional(),
    leafWet: z.boolean().optional(),
    saturated: z.boolean().optional(),
    paceMph: z.number().positive().optional(),
    calibratedMph: z.number().positive().optional(),
    ordinance: ordinanceSchema.optional(),
    lowPhosphorus: z.boolean().optional(),
  } satisfies Record<keyof CheckContext, z.ZodType>),
});

/** Input schema of every command of the command line. */
export const commandSchemas = {
  diagnose: diagnosisInputSchema,
  soil: soilCommandSchema,
  season: seasonCommandSchema,
  amounts: amountsCommandSchema,
  zoneAmounts: zoneAmountsCommandSchema,
  check: checkCommandSchema,
} as const;
export type CommandName = keyof typeof commandSchemas;
