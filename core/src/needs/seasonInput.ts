import { z } from 'zod';
import { regionSchema, slugSchema, weed } from '../knowledge';
import { zoneSoilSchema } from '../fertility';
import { upkeepSchema, zoneSchema } from '../lawn';
import { shelfLabelSchema } from '../products/label';
import type { Application } from '../rates';
import { localDateSchema } from '../weather';
import type { SoilSeason } from '../weather';
import type { LocalDate } from '../units';

/** A weed seen in a zone. */
export const weedFindingSchema = z.object({
  weed: slugSchema.refine((slug) => weed(slug) !== undefined, 'unknown weed'),
  /** Share of the zone's ground, 0-1. */
  cover: z.number().min(0).max(1, 'cover is a share of the ground, 0 to 1'),
  stage: z.enum(['seedling', 'untillered', '2-4-tiller', 'mature-seeded', 'flowering']).optional(),
  /** Seen growing now; otherwise known from earlier seasons. */
  growing: z.boolean().default(true),
  /** First day of a run of days on which it was seen, and the last. */
  since: localDateSchema.optional(),
  seenOn: localDateSchema.optional(),
  /** Posterior of the key when it was named with it, 0-1; left out where somebody knows the plant. */
  confidence: z.number().min(0).max(1).optional(),
});
export type WeedFinding = z.infer<typeof weedFindingSchema>;

/** Kinds of weeds that can be told before they have a name. */
export const weedKindSchema = z.enum(['sedge', 'broadleaf', 'grassy']);

/** A weed that has only its kind. */
export const unnamedWeedSchema = z.object({
  category: weedKindSchema,
  cover: z.number().min(0).max(1, 'cover is a share of the ground, 0 to 1'),
  stage: weedFindingSchema.shape.stage,
});
export type UnnamedWeed = z.infer<typeof unnamedWeedSchema>;

/** One damaged place, or the zone as a whole, as it was last decided about. */
export const damageFindingSchema = z.object({
  /** `null`: the whole zone was looked at. */
  patchId: z.uuid().nullable().default(null),
  /** Number of the place on the plan. */
  number: z.number().int().positive().optional(),
  /** `null`: nobody could tell. */
  cause: z.string().nullable().default(null),
  /** What was decided against the cause: treat it now, or prevent it when it comes round. */
  protect: z.enum(['treat', 'prevent']).optional(),
  /** Day of the decision. */
  decidedOn: localDateSchema.optional(),
  /** Day to look again. */
  lookAgainOn: localDateSchema.optional(),
});
export type DamageFinding = z.infer<typeof damageFindingSchema>;

/** What the walks found in one zone. */
export const zoneFindingSchema = z.object({
  zoneId: z.uuid(),
  weeds: z.array(weedFindingSchema).default([]),
  unnamed: z.array(unnamedWeedSchema).default([]),
  /** Each place with its own cause and decision; a later one takes nothing from an earlier. */
  damages: z.array(damageFindingSchema).default([]),
  /** Point count behind the cover, if one was taken. */
  pointCount: z
    .object({
      hits: z.number().int().min(0).max(100_000),
      points: z.number().int().positive().max(100_000),
    })
    .refine(({ hits, points }) => hits <= points, {
      path: ['hits'],
      message: 'more hits than points',
    })
    .optional(),
});
export type ZoneFinding = z.infer<typeof zoneFindingSchema>;

const monthDay = z
  .string()
  .max(5)
  .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'a day as MM-DD');

/** What the place has ruled about fertilizer; the strictest of the company's area. */
export const ordinanceSchema = z.object({
  /** Month-day from and to which none may be spread; may wrap over the year. */
  blackout: z.tuple([monthDay, monthDay]).nullable().default(null),
  mostNitrogen: z.number().positive().max(100).nullable().default(null),
  mostNitrogenYear: z.number().positive().max(100).nullable().default(null),
  phosphorusNeedsReason: z.boolean().default(false),
});

/** What the company may and does do. */
export const policySchema = z.object({
  /** A certified applicator does or supervises the work. */
  certified: z.boolean().default(false),
  /** Products whose label was checked for home lawns. */
  confirmedLabels: z.array(slugSchema).max(1000).default([]),
  /** Empty: every product of the library. */
  stock: z.array(slugSchema).max(1000).default([]),
  ordinance: ordinanceSchema.prefault({}),
  /** The company's own labels; each outranks the library's entry. */
  labels: z.array(shelfLabelSchema).max(400).default([]),
  /** Plan only with what the shelf has in store. */
  onlyShelf: z.boolean().default(false),
});
export type Policy = z.infer<typeof policySchema>;

/** The technician's answer to a clash, by clash id. */
export const clashChoicesSchema = z.record(z.string().max(200), z.enum(['seed', 'prevent']));

/** What was seen at a dated return. */
export const lookAnswerSchema = z.object({
  needId: z.string().max(200),
  date: localDateSchema,
  seen: z.enum(['gone', 'fewer', 'same', 'worse']),
});
export type LookAnswer = z.infer<typeof lookAnswerSchema>;

/** What is sold. */
export const SERVICES = [
  'pre-emergent',
  'weed-control',
  'feeding',
  'insects',
  'diseases',
  'seeding',
  'renovation',
  'soil-test',
] as const;
export type Service = (typeof SERVICES)[number];

/** What was agreed with the customer: work outside it is an offer. */
export const agreementSchema = z.object({
  services: z.array(z.enum(SERVICES)).max(SERVICES.length),
  /** First and last day of it; open where left out. */
  from: localDateSchema.optional(),
  to: localDateSchema.optional(),
  /** Services that are done by somebody else: the customer, or another trade. */
  doneBy: z.partialRecord(z.enum(SERVICES), z.enum(['customer', 'other'])).default({}),
});
export type Agreement = z.infer<typeof agreementSchema>;

/** Something that is not done here: for a place, until a day or for good. */
export const notHereSchema = z.object({
  kind: z.literal('not-here'),
  needId: z.string().max(200),
  until: localDateSchema.optional(),
});
export type NotHere = z.infer<typeof notHereSchema>;

/**
 * A job that stands on a day that somebody set, or with a mix that somebody chose, by the address of the work that it
 * does. Once its day is over it binds no more.
 */
export const workPinSchema = z.object({
  kind: z.literal('pin'),
  work: z.string().max(200),
  date: localDateSchema.optional(),
  /** In place of what the plan would put down. */
  materials: z
    .array(
      z.object({
        kind: z.enum(['herbicide', 'treatment', 'fertilizer', 'seed']),
        slug: slugSchema,
        ratePerAcre: z.number().positive('a rate is above 0').max(1_000_000),
      }),
    )
    .min(1, 'name what is put down')
    .max(4)
    .optional(),
  /** Day on which it was set: of two for one work the later holds. */
  on: localDateSchema.optional(),
});
export type WorkPin = z.infer<typeof workPinSchema>;

/** The way to meet a need that somebody chose, of those that are open to it. */
export const courseChoiceSchema = z.object({
  kind: z.literal('course'),
  needId: z.string().max(200),
  course: z.string().max(60),
  on: localDateSchema,
});
export type CourseChoice = z.infer<typeof courseChoiceSchema>;

/** What somebody decided about a need or its work. */
export const decidedSchema = z.discriminatedUnion('kind', [
  notHereSchema,
  workPinSchema,
  courseChoiceSchema,
]);
export type Decided = z.infer<typeof decidedSchema>;
export const decisionsSchema = z.array(decidedSchema).max(2000);

const feet = z.number().min(0, 'a distance is 0 or more').max(100_000).nullable().optional();

/** Water near a zone, ft; left out: there is none; `null`: there is, nobody knows how far. */
export const nearSchema = z.object({ wellFt: feet, waterFt: feet });
export type Near = z.infer<typeof nearSchema>;

/** The part of the input that is data; soil seasons and records are computed or stored elsewhere. */
export const seasonRequestSchema = z.object({
  today: localDateSchema,
  region: regionSchema,
  upkeep: upkeepSchema.default('standard'),
  zones: z.array(zoneSchema).min(1),
  findings: z.array(zoneFindingSchema).default([]),
  policy: policySchema.prefault({}),
  choices: clashChoicesSchema.default({}),
  looks: z.array(lookAnswerSchema).max(2000).default([]),
  /** What is sold; with none given everything is. */
  agreement: agreementSchema.nullable().default(null),
  /** What people decided about needs. */
  decisions: decisionsSchema.default([]),
  /** Wells and open water by zone. */
  property: z
    .array(nearSchema.extend({ zoneId: z.uuid() }))
    .max(1000)
    .default([]),
  /** Bags of soil that were taken here, with what the laboratory found. */
  soilReports: z.array(zoneSoilSchema).max(1000).default([]),
});
export type SeasonRequest = z.infer<typeof seasonRequestSchema>;

export interface SeasonInput extends SeasonRequest {
  /** Soil season of each zone, by zone id. */
  soil: ReadonlyMap<string, SoilSeason>;
  /** Records of the lawn. */
  records: readonly Application[];
  /** Causes by zone that were here, or were prevented, lately. */
  history?: ReadonlyMap<string, readonly string[]>;
  /** Mean first hard frost of the station's own years, month-day; the region's where there are too few. */
  frost?: string | null;
  /** Rain over the last ten days, in; irrigation is read from the zone. */
  rain10DaysIn: number;
}

export type { LocalDate };
