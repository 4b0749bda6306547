import { areaInterval, desiredCover, type Zone } from '../lawn';
import type { DamageFinding, UnnamedWeed, WeedFinding, ZoneFinding } from '../needs';
import type { Lawn, WeedPatch } from '../contract/lawn';
import type { Look, VisitBody } from '../contract/visit';
import type { LocalDate } from '../units';

type Looked = VisitBody & { id: string };
type Drawn = Pick<Lawn, 'zones' | 'weedPatches' | 'patches'>;

const order = ({ date, id }: { date: string; id: string }) => `${date} ${id}`;

/** What was decided about the place of a look, or `null` when the look was for something else. */
function damageOf(
  { patchId, decision }: Look,
  patches: Drawn['patches'],
  decidedOn: LocalDate,
): DamageFinding | null {
  if (!decision) return null;
  const cause = decision.kind === 'cannot-tell' ? null : decision.cause;
  const { lookAgainOn } = decision;
  const number = patches.find(({ id }) => id === patchId)?.number;
  return {
    patchId,
    ...(number === undefined ? {} : { number }),
    cause,
    decidedOn,
    ...(lookAgainOn ? { lookAgainOn } : {}),
    ...(decision.kind === 'cause' && (decision.option === 'treat' || decision.option === 'prevent')
      ? { protect: decision.option }
      : {}),
  };
}

/** Weeds of a zone as a look leaves them: the listed ones, and the earlier ones as known but not growing. */
function weedsAfter(
  before: readonly WeedFinding[],
  { weeds }: Look,
  seenOn: LocalDate,
): WeedFinding[] {
  const listed = new Set(weeds.map(({ weed }) => weed));
  return [
    ...weeds.map((finding) => {
      const earlier = before.find(({ weed }) => weed === finding.weed);
      // What had gone and is back begins anew.
      const since = earlier?.growing ? (earlier.since ?? seenOn) : seenOn;
      return { ...finding, since, seenOn };
    }),
    ...before
      .filter(({ weed }) => !listed.has(weed))
      .map((finding) => ({ ...finding, growing: weeds.length > 0 ? false : finding.growing })),
  ];
}

/** What of a drawn patch is read: where, what, how much and when. */
export type DrawnPatch = Pick<
  WeedPatch,
  'zoneId' | 'plant' | 'lengthFt' | 'widthFt' | 'cover' | 'stage' | 'seenOn'
>;

/** Share of a zone's ground under a patch: an ellipse of its length and width, of which `cover` is weed. */
const shareOf = ({ lengthFt, widthFt, cover }: DrawnPatch, groundFt2: number): number =>
  ((Math.PI / 4) * lengthFt * widthFt * cover) / groundFt2;

const LATER = ['seedling', 'untillered', '2-4-tiller', 'mature-seeded', 'flowering'] as const;
/** The farther of two stages: what is sprayed is the hardest of a stand. */
const farther = (a: WeedPatch['stage'], b: WeedPatch['stage']): WeedPatch['stage'] =>
  LATER.indexOf(a) >= LATER.indexOf(b) ? a : b;

/** Weeds of a zone as they are drawn on the plan: named ones added up, and those that have only a kind. */
export function drawnWeeds(
  { zones, weedPatches }: Pick<Drawn, 'zones'> & { weedPatches: readonly DrawnPatch[] },
  zoneId: string,
): { weeds: WeedFinding[]; unnamed: UnnamedWeed[] } {
  const zone = zones.find(({ id }) => id === zoneId);
  const ground = zone ? areaInterval(zone).areaFt2 : 0;
  const weeds = new Map<string, WeedFinding>();
  const unnamed = new Map<UnnamedWeed['category'], UnnamedWeed>();
  if (ground <= 0) return { weeds: [], unnamed: [] };
  for (const patch of weedPatches.filter((entry) => entry.zoneId === zoneId)) {
    const { plant, stage } = patch;
    const share = shareOf(patch, ground);
    if (plant.kind === 'category') {
      const before = unnamed.get(plant.category);
      unnamed.set(plant.category, {
        category: plant.category,
        cover: Math.min(1, (before?.cover ?? 0) + share),
        stage: before?.stage ? farther(before.stage, stage) : stage,
      });
      continue;
    }
    const before = weeds.get(plant.weed);
    // Sure of one patch of a plant, one is sure of the plant.
    const sure =
      plant.confidence === null || (before && before.confidence === undefined)
        ? undefined
        : Math.max(plant.confidence, before?.confidence ?? 0);
    weeds.set(plant.weed, {
      weed: plant.weed,
      cover: Math.min(1, (before?.cover ?? 0) + share),
      stage: before?.stage ? farther(before.stage, stage) : stage,
      growing: true,
      since: before?.since && before.since < patch.seenOn ? before.since : patch.seenOn,
      seenOn: before?.seenOn && before.seenOn > patch.seenOn ? before.seenOn : patch.seenOn,
      ...(sure === undefined ? {} : { confidence: sure }),
    });
  }
  return { weeds: [...weeds.values()], unnamed: [...unnamed.values()] };
}

/** A drawn patch has a size and a stage of its own; a weed that was only tapped keeps what was tapped. */
const withDrawnWeeds = (
  tapped: readonly WeedFinding[],
  drawn: readonly WeedFinding[],
): WeedFinding[] => [
  ...tapped.filter(({ weed }) => !drawn.some((entry) => entry.weed === weed)),
  ...drawn,
];

/** A point count of a zone: hits on the grasses that are wanted there. */
export interface ZoneCount {
  zoneId: string;
  date: LocalDate;
  hits: number;
  points: number;
}

const lastCount = (counts: readonly ZoneCount[], zoneId: string): ZoneCount | undefined =>
  counts
    .filter((count) => count.zoneId === zoneId)
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .pop();

/** Zones with the cover that was counted in place of the one that was guessed; their grasses keep their shares. */
export function zonesAsCounted(zones: readonly Zone[], counts: readonly ZoneCount[]): Zone[] {
  return zones.map((zone) => {
    const count = lastCount(counts, zone.id);
    const guessed = desiredCover(zone);
    if (!count || guessed === 0) return zone;
    const counted = count.hits / count.points;
    const factor = counted / guessed;
    // What is wanted and what is not never cover more than all of the ground.
    const rest = zone.stand.reduce((sum, { cover }) => sum + cover, 0) - guessed;
    const room = rest > 1 - counted ? (1 - counted) / rest : 1;
    return {
      ...zone,
      stand: zone.stand.map((share) =>
        zone.desired.includes(share.species)
          ? { ...share, cover: share.cover * factor }
          : { ...share, cover: share.cover * room },
      ),
    };
  });
}

/**
 * Findings with what was drawn and counted beside them, as a plan on paper has it: patches add to the weeds of their
 * zone, and of several counts the last is read.
 */
export function withDrawn(
  findings: readonly ZoneFinding[],
  zones: Drawn['zones'],
  patches: readonly DrawnPatch[],
  counts: readonly ZoneCount[],
): ZoneFinding[] {
  return zones.flatMap(({ id: zoneId }): ZoneFinding[] => {
    const found = findings.filter((finding) => finding.zoneId === zoneId);
    const drawn = drawnWeeds({ zones, weedPatches: patches }, zoneId);
    const last = lastCount(counts, zoneId);
    const [first = { zoneId, weeds: [], unnamed: [], damages: [] }, ...rest] = found;
    if (found.length === 0 && drawn.weeds.length + drawn.unnamed.length === 0 && !last) return [];
    return [
      {
        ...first,
        weeds: withDrawnWeeds(first.weeds, drawn.weeds),
        unnamed: [...first.unnamed, ...drawn.unnamed],
        ...(last ? { pointCount: { hits: last.hits, points: last.points } } : {}),
      },
      ...rest,
    ];
  });
}

/**
 * What the season is planned on, zone by zone: each damaged place as it was last decided about, the weeds
 * of the looks, and the weeds that are drawn on the plan, whatever else was looked at.
 * @param visits in any order; of one day, the id tells which came first (ids are ordered by time)
 */
export function findingsOf(visits: readonly Looked[], lawn: Drawn): ZoneFinding[] {
  const zones = new Map<
    string,
    { weeds: WeedFinding[]; damages: Map<string, DamageFinding>; pointCount?: Look['pointCount'] }
  >();
  const open = (zoneId: string) => {
    const known = zones.get(zoneId) ?? { weeds: [], damages: new Map<string, DamageFinding>() };
    zones.set(zoneId, known);
    return known;
  };
  for (const visit of [...visits].sort((a, b) => (order(a) < order(b) ? -1 : 1))) {
    for (const look of visit.looks) {
      const zone = open(look.zoneId);
      zone.weeds = weedsAfter(zone.weeds, look, visit.date);
      if (look.pointCount) zone.pointCount = look.pointCount;
      const damage = damageOf(look, lawn.patches, visit.date);
      if (damage) zone.damages.set(damage.patchId ?? 'zone', damage);
    }
  }
  for (const { zoneId } of lawn.weedPatches) open(zoneId);
  return [...zones].map(([zoneId, { weeds, damages, pointCount }]) => {
    const drawn = drawnWeeds(lawn, zoneId);
    return {
      zoneId,
      weeds: withDrawnWeeds(weeds, drawn.weeds),
      unnamed: drawn.unnamed,
      damages: [...damages.values()],
      ...(pointCount ? { pointCount } : {}),
    };
  });
}
