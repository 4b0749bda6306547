import { walkedEdge } from '../knowledge';
import { FEET_PER_METRE } from '../units';
import { toPlan, type GeoPoint } from './localPlane';
import type { Point } from './zone';

/** One position fix of a walk along an edge. */
export interface Fix extends GeoPoint {
  /** Stated 68 % radius, m. */
  accuracyM: number;
  /** Seconds since the walk began. */
  seconds: number;
}

export interface WalkedOutline {
  /** Corners on the plan, ft, about `origin`. */
  outline: Point[];
  origin: GeoPoint;
  used: number;
  /** Fixes left out because they jumped or were too vague. */
  spikes: number;
  vague: number;
  /** Distance from the last fix to the first, ft. */
  closureFt: number;
  /** σ of a corner per axis, ft, from the stated accuracies. */
  cornerSigmaFt: number;
}

/**
 * Outline from a walk along the edge: vague fixes and spikes are left out, the track is thinned
 * (Ramer-Douglas-Peucker) and closed. `null` when fewer than three corners are left.
 */
export function walkedOutline(fixes: readonly Fix[]): WalkedOutline | null {
  const sharp = fixes.filter(({ accuracyM }) => accuracyM <= walkedEdge.worstAccuracyM);
  const origin = sharp[0];
  if (!origin) return null;
  const track: (Point & { seconds: number; accuracyM: number })[] = [];
  for (const fix of sharp) {
    const at = { ...toPlan(fix, origin), seconds: fix.seconds, accuracyM: fix.accuracyM };
    const before = track[track.length - 1];
    if (before) {
      const seconds = Math.max(0.5, at.seconds - before.seconds);
      const metres = Math.hypot(at.x - before.x, at.y - before.y) / FEET_PER_METRE;
      // What the stated accuracies of the two fixes allow is no speed.
      const moved = Math.max(0, metres - (at.accuracyM + before.accuracyM) / 2);
      if (moved / seconds > walkedEdge.fastestMps) continue;
    }
    track.push(at);
  }
  const first = track[0];
  const last = track[track.length - 1];
  if (!first || !last || track.length < 3) return null;
  const thin = simplified(track, walkedEdge.simplifyM * FEET_PER_METRE);
  const closureFt = Math.hypot(last.x - first.x, last.y - first.y);
  const outline = closureFt < walkedEdge.openFt && thin.length > 3 ? thin.slice(0, -1) : thin;
  if (outline.length < 3) return null;
  const meanAccuracyM = track.reduce((sum, { accuracyM }) => sum + accuracyM, 0) / track.length;
  return {
    outline: outline.map(({ x, y }) => ({ x, y })),
    origin: { lat: origin.lat, lon: origin.lon },
    used: track.length,
    spikes: sharp.length - track.length,
    vague: fixes.length - sharp.length,
    closureFt,
    cornerSigmaFt: (meanAccuracyM / walkedEdge.radiusOverSigma) * FEET_PER_METRE,
  };
}

/** Ramer 1972, Douglas and Peucker 1973: keeps the ends and every corner further off than `tolerance`. */
function simplified<P extends Point>(line: readonly P[], tolerance: number): P[] {
  const first = line[0] as P;
  const last = line[line.length - 1] as P;
  let far = 0;
  let index = -1;
  line.forEach((point, at) => {
    if (at === 0 || at === line.length - 1) return;
    const d = distanceToLine(point, first, last);
    if (d > far) {
      far = d;
      index = at;
    }
  });
  if (index < 0 || far <= tolerance) return line.length > 1 ? [first, last] : [first];
  const head = simplified(line.slice(0, index + 1), tolerance);
  return [...head.slice(0, -1), ...simplified(line.slice(index), tolerance)];
}

function distanceToLine(point: Point, a: Point, b: Point): number {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length === 0) return Math.hypot(point.x - a.x, point.y - a.y);
  return Math.abs((b.x - a.x) * (a.y - point.y) - (a.x - point.x) * (b.y - a.y)) / length;
}
