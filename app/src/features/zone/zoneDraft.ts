import {
  grassSlugSchema,
  PROBE_STOPS,
  SITE_EXPOSURES,
  SITE_FACTORS,
  SOIL_TEXTURES,
  upkeepSchema,
  zoneSchema,
  type Zone,
} from '@alfombra/core';
import { z } from 'zod';
import { figure, figureOrNone, numberText } from '@/ui';

/** Yes, no, or nobody looked. */
export const SEEN = ['yes', 'no', 'unseen'] as const;
const seen = z.enum(SEEN);
const seenAs = (value: boolean | null): z.infer<typeof seen> =>
  value === null ? 'unseen' : value ? 'yes' : 'no';
const asSeen = seen.transform((value) => (value === 'unseen' ? null : value === 'yes'));

/** What the customer thinks of a grass: it is to stay, it may stay, it is a weed here. */
export const WISHES = ['wanted', 'tolerated', 'unwanted'] as const;
/** Upkeep of a zone: one of its own, or that of the whole lawn. */
export const UPKEEPS = ['lawn', ...upkeepSchema.options] as const;
export const PROJECTS = zoneSchema.shape.project.unwrap().options;
const MOST_PCT = 100;

/** The form of a zone's stand and site; a fault is a key of the catalogs. */
export const zoneFormSchema = z
  .object({
    stand: z.array(
      z.object({
        species: grassSlugSchema,
        cover: figure('zone.badCover', { from: 0, to: MOST_PCT }),
        wish: z.enum(WISHES),
      }),
    ),
    irrigated: asSeen,
    dog: asSeen,
    whichDog: z.string().trim().max(60, 'property.tooLong'),
    upkeep: z.enum(UPKEEPS).transform((own) => (own === 'lawn' ? null : own)),
    project: z.enum(PROJECTS),
    newTurf: asSeen,
    samePlaceBefore: asSeen,
    treeRoots: z.boolean(),
    sensitivePlants: z.boolean(),
    exposure: z.enum(SITE_EXPOSURES).nullable(),
    factors: z.array(z.enum(SITE_FACTORS)),
    sunHours: figureOrNone('zone.badSun', { from: 0, to: 16 }),
    slope: figureOrNone('zone.badSlope', { from: 0, to: 100 }),
    thatch: figureOrNone('zone.badThatch', { from: 0, to: 6 }),
    probe: figureOrNone('zone.badProbe', { from: 0, to: 24 }),
    stop: z.enum(PROBE_STOPS),
    texture: z.enum(SOIL_TEXTURES).nullable(),
  })
  .superRefine(({ stand }, context) => {
    if (stand.reduce((sum, { cover }) => sum + cover, 0) > MOST_PCT) {
      context.addIssue({ code: 'custom', path: ['stand'], message: 'zone.over' });
    }
  });
export type ZoneDraft = z.input<typeof zoneFormSchema>;
export type ZoneRead = z.output<typeof zoneFormSchema>;

const isExposure = (factor: string) => (SITE_EXPOSURES as readonly string[]).includes(factor);

export function zoneDraft({ stand, desired, tolerated, upkeep, project, site }: Zone): ZoneDraft {
  const wishOf = (species: Zone['desired'][number]) =>
    desired.includes(species) ? 'wanted' : tolerated.includes(species) ? 'tolerated' : 'unwanted';
  const absent = [...desired, ...tolerated].filter(
    (species) => !stand.some((share) => share.species === species),
  );
  return {
    stand: [...stand, ...absent.map((species) => ({ species, cover: 0 }))].map(
      ({ species, cover }) => ({
        species,
        cover: numberText(cover * MOST_PCT, 1),
        wish: wishOf(species),
      }),
    ),
    irrigated: seenAs(site.irrigated),
    dog: seenAs(site.dog),
    whichDog: site.whichDog,
    upkeep: upkeep ?? 'lawn',
    project,
    newTurf: seenAs(site.newTurf),
    samePlaceBefore: seenAs(site.samePlaceBefore),
    treeRoots: site.treeRoots,
    sensitivePlants: site.sensitivePlants,
    exposure: SITE_EXPOSURES.find((exposure) => site.factors.includes(exposure)) ?? null,
    factors: site.factors.filter((factor) => !isExposure(factor)),
    sunHours: numberText(site.sunHours),
    slope: numberText(site.slopePct),
    thatch: numberText(site.thatchIn),
    probe: numberText(site.probe?.depthIn),
    stop: site.probe?.stop ?? 'soft',
    texture: site.texture,
  };
}

/** The zone with its stand and site as the form says they are. */
export function zoneOf(zone: Zone, read: ZoneRead): Zone {
  const wished = (wish: (typeof WISHES)[number]) =>
    read.stand.filter((row) => row.wish === wish).map(({ species }) => species);
  return {
    ...zone,
    stand: read.stand
      .filter(({ cover }) => cover > 0)
      .map(({ species, cover }) => ({ species, cover: cover / MOST_PCT })),
    desired: wished('wanted'),
    tolerated: wished('tolerated'),
    upkeep: read.upkeep,
    project: read.project,
    site: {
      irrigated: read.irrigated,
      dog: read.dog,
      whichDog: read.dog ? read.whichDog : '',
      newTurf: read.newTurf,
      samePlaceBefore: read.samePlaceBefore,
      treeRoots: read.treeRoots,
      sensitivePlants: read.sensitivePlants,
      factors: [...(read.exposure ? [read.exposure] : []), ...read.factors],
      sunHours: read.sunHours,
      slopePct: read.slope,
      thatchIn: read.thatch,
      probe: read.probe === null ? null : { depthIn: read.probe, stop: read.stop },
      texture: read.texture,
    },
  };
}
