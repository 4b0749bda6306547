import { z } from 'zod';
import {
  grassSlugSchema,
  MEASURE_METHODS,
  PROBE_STOPS,
  SITE_FACTORS,
  SOIL_TEXTURES,
} from '../knowledge';
import { isLocalDate } from '../units';

/** Farthest that anything lies from the plan's corner, ft; some nineteen miles. */
export const MOST_FT = 100_000;
/** Corners of one outline: a walk recorded at every second for half an hour. */
export const MOST_CORNERS = 2000;

/** A corner of an outline on the lawn's own plan, feet east and south of the plan's corner. */
const coordinate = z.number().min(-MOST_FT).max(MOST_FT);
export const pointSchema = z.object({ x: coordinate, y: coordinate });
export type Point = z.infer<typeof pointSchema>;

/** Corners in order; the last joins the first. */
export const outlineSchema = z.array(pointSchema).min(3).max(MOST_CORNERS);

/** One grass of a stand and the share of the ground it covers. */
export const standShareSchema = z.object({
  species: grassSlugSchema,
  /** Share of the zone's ground, 0-1. */
  cover: z
    .number()
    .min(0, 'cover is a share of the ground, 0 to 1')
    .max(1, 'cover is a share of the ground, 0 to 1'),
});
export type StandShare = z.infer<typeof standShareSchema>;

/** The grasses of one zone. What they leave is bare or weedy ground. */
export const standSchema = z
  .array(standShareSchema)
  .max(8)
  .superRefine((stand, context) => {
    const seen = new Set<string>();
    stand.forEach((share, index) => {
      if (seen.has(share.species)) {
        context.addIssue({
          code: 'custom',
          path: [index, 'species'],
          message: `${share.species} is listed twice`,
        });
      }
      seen.add(share.species);
    });
    const total = stand.reduce((sum, share) => sum + share.cover, 0);
    if (total > 1 + 1e-9) {
      context.addIssue({
        code: 'custom',
        path: [],
        message: `the stand covers ${Math.round(total * 100)} % of the ground; at most 100 %`,
      });
    }
  });

export const siteSchema = z.object({
  /** Rows of the soil-temperature offset table that hold here. */
  factors: z.array(z.enum(SITE_FACTORS)).max(SITE_FACTORS.length).default([]),
  irrigated: z.boolean().nullable().default(null),
  dog: z.boolean().nullable().default(null),
  /** Which dog it is, where there are several. */
  whichDog: z.string().trim().max(60).default(''),
  /** Trees or beds whose roots reach into the zone. */
  treeRoots: z.boolean().default(false),
  /** Vegetables, grapes or flowers within 100 ft. */
  sensitivePlants: z.boolean().default(false),
  samePlaceBefore: z.boolean().nullable().default(null),
  newTurf: z.boolean().nullable().default(null),
  /** Direct sun on a clear midsummer day, h. */
  sunHours: z.number().min(0).max(16).nullable().default(null),
  /** Rise over run, per cent. */
  slopePct: z.number().min(0).max(100).nullable().default(null),
  texture: z.enum(SOIL_TEXTURES).nullable().default(null),
  thatchIn: z.number().min(0).max(6).nullable().default(null),
  /** An easy push of the rod and how it ended. */
  probe: z
    .object({ depthIn: z.number().min(0).max(24), stop: z.enum(PROBE_STOPS) })
    .nullable()
    .default(null),
});
export type Site = z.infer<typeof siteSchema>;

/** How the outline was measured; a walked one carries the σ of its corners, ft per axis. */
export const measureSchema = z.object({
  method: z.enum(MEASURE_METHODS),
  cornerSigmaFt: z.number().positive().max(1000).nullable().default(null),
});

/** How much the customer wants of a lawn. */
export const upkeepSchema = z.enum(['basic', 'standard', 'showpiece']);
export type Upkeep = z.infer<typeof upkeepSchema>;

export const edgeStateSchema = z.enum(['confirmed', 'assumed']);

/** A zone as it is drawn. */
export const zoneShapeSchema = z.object({
  id: z.uuid(),
  name: z.string().trim().min(1).max(60),
  outline: outlineSchema,
  /** State of the edge that leaves each corner. */
  edges: z.array(edgeStateSchema).max(MOST_CORNERS),
  measure: measureSchema.default({ method: 'sketch', cornerSigmaFt: null }),
  /** House, beds and drive inside the zone. */
  cutouts: z.array(outlineSchema).max(60).default([]),
});
export type ZoneShape = z.infer<typeof zoneShapeSchema>;

export const zoneSchema = zoneShapeSchema
  .extend({
    stand: standSchema,
    /** Grasses that the customer wants here; none until somebody has named one. */
    desired: z.array(grassSlugSchema).max(20),
    /** Grasses that may stay though nobody wants them; any other grass is a weed. */
    tolerated: z.array(grassSlugSchema).max(20).default([]),
    /** What is wanted of this zone; `null`: what is wanted of the whole lawn. */
    upkeep: upkeepSchema.nullable().default(null),
    /** Care for the stand that is there, or establish one: a new build, or one to be started over. */
    project: z.enum(['keep', 'build']).default('keep'),
    site: siteSchema,
  })
  .superRefine((zone, context) => {
    zone.tolerated.forEach((species, index) => {
      if (zone.desired.includes(species)) {
        context.addIssue({
          code: 'custom',
          path: ['tolerated', index],
          message: `${species} is wanted and tolerated; it is one of them`,
        });
      }
    });
    if (zone.edges.length !== zone.outline.length) {
      context.addIssue({
        code: 'custom',
        path: ['edges'],
        message: 'one state for each edge of the outline',
      });
    }
  });
export type Zone = z.infer<typeof zoneSchema>;

/** A damaged place in a zone. */
export const patchSchema = z.object({
  id: z.uuid(),
  zoneId: z.uuid(),
  number: z.number().int().positive().max(100_000),
  centre: pointSchema,
  /** ft, longest way and across. */
  widthFt: z.number().positive('a patch has a width above 0').max(MOST_FT),
  lengthFt: z.number().positive('a patch has a length above 0').max(MOST_FT),
  shape: z.enum(['round', 'irregular', 'streak']).default('round'),
  seenOn: z.string().max(10).refine(isLocalDate, 'a calendar day as YYYY-MM-DD'),
  /** Since when it is there, as the owner says or a technician saw first. */
  since: z.enum(['days', 'weeks', 'months', 'years', 'unknown']).default('unknown'),
});
export type Patch = z.infer<typeof patchSchema>;
