import { cornerLetter } from './cornerLetter';
import { inOutline } from './zoneAt';
import { polygonArea, zoneArea } from './area';
import type { Patch, Point, ZoneShape } from './zone';

/** What a stretch or field of the plan is; how it looks is the screen's or the paper's. */
export type PlanRole =
  | 'turf'
  | 'turf-beside'
  | 'house'
  | 'hard'
  | 'bed'
  | 'water'
  | 'edge'
  | 'edge-assumed'
  | 'edge-asked'
  | 'weed'
  | 'damage'
  | 'damage-beside'
  | 'line-hard'
  | 'line-traffic'
  | 'line-mow'
  | 'line-fence'
  | 'sheet';
export type PlanTextRole = 'on-turf' | 'on-turf-beside' | 'on-ground' | 'on-damage';

/** One thing to draw, in the sheet's own units, in the order of drawing. */
export type PlanShape =
  | { kind: 'field'; role: PlanRole; outlines: Point[][]; id?: string }
  | { kind: 'run'; role: PlanRole; points: Point[] }
  | { kind: 'ellipse'; role: PlanRole; centre: Point; rx: number; ry: number; id: string }
  | { kind: 'pin'; pin: string; at: Point }
  | { kind: 'badge'; at: Point; text: string }
  | { kind: 'text'; role: PlanTextRole; at: Point; text: string; bold: boolean }
  | { kind: 'scale'; from: Point; length: number; text: string }
  | { kind: 'north'; at: Point; degrees: number };

/** What of a lawn can be drawn. */
export interface PlanContent {
  zones: readonly ZoneShape[];
  features: readonly { kind: 'house' | 'drive' | 'bed' | 'walk' | 'water'; outline: Point[] }[];
  patches: readonly Pick<Patch, 'id' | 'zoneId' | 'number' | 'centre' | 'widthFt' | 'lengthFt'>[];
  pins: readonly { id: string; kind: string; at: Point }[];
  lines: readonly { id: string; kind: string; points: readonly Point[] }[];
  weedPatches: readonly { id: string; centre: Point; lengthFt: number; widthFt: number }[];
  /** Where north lies, clockwise from the top of the plan; `null`: nobody said. */
  northDeg: number | null;
}

/** From the plan's feet to the sheet. */
export interface PlanView {
  at: (p: Point) => Point;
  /** Sheet units a foot. */
  scale: number;
  width: number;
  height: number;
}

export interface PlanWords {
  area: (ft2: number) => string;
  feature: (kind: PlanContent['features'][number]['kind']) => string;
  length: (ft: number) => string;
}

export interface PlanChoice {
  /** The zone at hand; the others stay pale. `null`: all are alike. */
  zoneId?: string | null;
  patchId?: string | null;
  /** Sides that are spoken of: their ends get letters. */
  asked?: readonly { zoneId: string; edge: number }[];
}

/** Sizes on a sheet of screen pixels or points of paper, which are near enough alike. */
const SIZE = {
  letter: 8,
  roomyZone: 62,
  roomyFeature: 52,
  leastDamage: 13,
  leastWeed: 8,
  badgeOff: 13,
  labelClear: 34,
  labelEdge: 16,
  labelStep: 32,
  scaleLeast: 50,
  margin: 14,
} as const;
const SCALE_FT = [1, 2, 5, 10, 20, 25, 50, 100, 200, 500] as const;

const FEATURE_ROLE = {
  house: 'house',
  drive: 'hard',
  walk: 'hard',
  bed: 'bed',
  water: 'water',
} as const satisfies Record<string, PlanRole>;
const LINE_ROLE: Readonly<Record<string, PlanRole>> = {
  pavement: 'line-hard',
  road: 'line-hard',
  'harbour-edge': 'line-hard',
  'traffic-route': 'line-traffic',
  'mow-line': 'line-mow',
  fence: 'line-fence',
};

const widthOf = (outline: readonly Point[]): number => {
  const xs = outline.map(({ x }) => x);
  return Math.max(...xs) - Math.min(...xs);
};

/** A place inside an outline for its name: the mean of the corners, or the widest stretch at their height. */
export function labelPlace(outline: readonly Point[]): Point {
  const mean = {
    x: outline.reduce((sum, { x }) => sum + x, 0) / outline.length,
    y: outline.reduce((sum, { y }) => sum + y, 0) / outline.length,
  };
  if (inOutline(mean, outline)) return mean;
  const crossings = outline
    .flatMap((a, index) => {
      const b = outline[(index + 1) % outline.length] as Point;
      return a.y > mean.y !== b.y > mean.y
        ? [a.x + ((mean.y - a.y) / (b.y - a.y)) * (b.x - a.x)]
        : [];
    })
    .sort((a, b) => a - b);
  let best = { x: mean.x, width: -1 };
  for (let index = 0; index + 1 < crossings.length; index += 2) {
    const [from, to] = [crossings[index] as number, crossings[index + 1] as number];
    if (to - from > best.width) best = { x: (from + to) / 2, width: to - from };
  }
  return { x: best.x, y: mean.y };
}

/** Features and zones: the ground that everything else lies on. */
export function groundShapes(
  { zones, features, patches, pins }: Pick<PlanContent, 'zones' | 'features' | 'patches' | 'pins'>,
  { at, scale }: PlanView,
  words: PlanWords,
  { zoneId = null, asked = [] }: PlanChoice = {},
): PlanShape[] {
  const shapes: PlanShape[] = [];
  for (const { kind, outline } of features) {
    shapes.push({ kind: 'field', role: FEATURE_ROLE[kind], outlines: [outline.map(at)] });
    if (widthOf(outline) * scale > SIZE.roomyFeature) {
      const { x, y } = at(labelPlace(outline));
      const text = words.feature(kind);
      shapes.push({ kind: 'text', role: 'on-ground', at: { x, y: y + 5 }, text, bold: false });
    }
  }
  for (const zone of zones) {
    const lit = zoneId === null || zone.id === zoneId;
    const corners = zone.outline.map(at);
    shapes.push({
      kind: 'field',
      role: lit ? 'turf' : 'turf-beside',
      outlines: [corners, ...zone.cutouts.map((cutout) => cutout.map(at))],
      id: zone.id,
    });
    const isAsked = (edge: number) =>
      asked.some((one) => one.zoneId === zone.id && one.edge === edge);
    corners.forEach((from, edge) => {
      const role = isAsked(edge)
        ? 'edge-asked'
        : zone.edges[edge] === 'assumed'
          ? 'edge-assumed'
          : 'edge';
      shapes.push({
        kind: 'run',
        role,
        points: [from, corners[(edge + 1) % corners.length] as Point],
      });
    });
    shapes.push(
      ...zoneLabel(zone, lit, at, scale, words, [
        ...patches.map(({ centre }) => centre),
        ...pins.map((pin) => pin.at),
      ]),
    );
    const named = corners.filter(
      (_, index) => isAsked(index) || isAsked((index + corners.length - 1) % corners.length),
    );
    const middle = at(labelPlace(zone.outline));
    for (const corner of named) {
      const away = Math.hypot(corner.x - middle.x, corner.y - middle.y) || 1;
      shapes.push({
        kind: 'badge',
        at: {
          x: corner.x - ((corner.x - middle.x) / away) * SIZE.badgeOff,
          y: corner.y - ((corner.y - middle.y) / away) * SIZE.badgeOff,
        },
        text: cornerLetter(corners.indexOf(corner)),
      });
    }
  }
  return shapes;
}

function zoneLabel(
  zone: ZoneShape,
  lit: boolean,
  at: PlanView['at'],
  scale: number,
  words: PlanWords,
  marks: readonly Point[],
): PlanShape[] {
  const role = lit ? 'on-turf' : 'on-turf-beside';
  const roomy = Math.sqrt(polygonArea(zone.outline)) * scale > SIZE.roomyZone;
  if (!roomy && widthOf(zone.outline) * scale < zone.name.length * SIZE.letter) return [];
  const middle = at(labelPlace(zone.outline));
  const corners = zone.outline.map(at);
  const half = (zone.name.length * SIZE.letter) / 2;
  const near = marks.map(at);
  // A pin or the number of a damaged place never stands on the name: the name gives way, where it has room.
  const fits = (p: Point) =>
    [-half, half].every((dx) =>
      [-SIZE.labelEdge, SIZE.labelEdge].every((dy) =>
        inOutline({ x: p.x + dx, y: p.y + dy }, corners),
      ),
    );
  const clear = (p: Point) =>
    Math.min(
      1,
      ...near.map((mark) =>
        Math.max(
          Math.abs(mark.x - p.x) / (half + SIZE.leastDamage + SIZE.letter),
          Math.abs(mark.y - p.y) / SIZE.labelClear,
        ),
      ),
    );
  const steps = [0, -1, 1, -2, 2];
  const places = steps
    .flatMap((down) =>
      steps.map((across) => ({
        x: middle.x + across * SIZE.labelStep,
        y: middle.y + down * SIZE.labelClear,
      })),
    )
    .filter((p, index) => index === 0 || fits(p));
  const { x, y } = places.reduce((best, place) => (clear(place) > clear(best) ? place : best));
  return [
    { kind: 'text', role, at: { x, y: roomy ? y - 2 : y + 4 }, text: zone.name, bold: true },
    ...(roomy
      ? [
          {
            kind: 'text' as const,
            role: role as PlanTextRole,
            at: { x, y: y + 14 },
            text: words.area(zoneArea(zone)),
            bold: false,
          },
        ]
      : []),
  ];
}

/** What was noted on the ground: lines, weed patches, pins. */
export function markShapes(
  { lines, weedPatches, pins }: Pick<PlanContent, 'lines' | 'weedPatches' | 'pins'>,
  { at, scale }: PlanView,
): PlanShape[] {
  return [
    ...lines.map(({ kind, points }): PlanShape => ({
      kind: 'run',
      role: LINE_ROLE[kind] ?? 'line-hard',
      points: points.map(at),
    })),
    ...weedPatches.map(({ id, centre, lengthFt, widthFt }): PlanShape => ({
      kind: 'ellipse',
      role: 'weed',
      centre: at(centre),
      rx: Math.max(SIZE.leastWeed, (widthFt / 2) * scale),
      ry: Math.max(SIZE.leastWeed, (lengthFt / 2) * scale),
      id,
    })),
    ...pins.map(({ kind, at: place }): PlanShape => ({ kind: 'pin', pin: kind, at: at(place) })),
  ];
}

/** The damaged places, each with its number. */
export function damageShapes(
  { patches }: Pick<PlanContent, 'patches'>,
  { at, scale }: PlanView,
  { patchId = null }: PlanChoice = {},
): PlanShape[] {
  return patches.flatMap(({ id, number, centre, widthFt, lengthFt }): PlanShape[] => {
    const { x, y } = at(centre);
    return [
      {
        kind: 'ellipse',
        role: patchId === null || id === patchId ? 'damage' : 'damage-beside',
        centre: { x, y },
        rx: Math.max(SIZE.leastDamage, (widthFt * scale) / 2),
        ry: Math.max(SIZE.leastDamage, (lengthFt * scale) / 2),
        id,
      },
      { kind: 'text', role: 'on-damage', at: { x, y: y + 5 }, text: String(number), bold: true },
    ];
  });
}

/** The bar that says how long a stretch is, and where north lies. */
export function sheetShapes(
  { northDeg }: Pick<PlanContent, 'northDeg'>,
  { scale, width, height }: PlanView,
  words: PlanWords,
): PlanShape[] {
  const ft = SCALE_FT.find((length) => length * scale >= SIZE.scaleLeast) ?? SCALE_FT.at(-1)!;
  return [
    {
      kind: 'scale',
      from: { x: SIZE.margin, y: height - SIZE.margin },
      length: ft * scale,
      text: words.length(ft),
    },
    ...(northDeg === null
      ? []
      : [
          {
            kind: 'north' as const,
            at: { x: width - 2 * SIZE.margin, y: 2 * SIZE.margin },
            degrees: northDeg,
          },
        ]),
  ];
}

/** The whole plan in the order of drawing: the same on a screen, on a customer's link and on paper. */
export const planShapes = (
  content: PlanContent,
  view: PlanView,
  words: PlanWords,
  choice: PlanChoice = {},
): PlanShape[] => [
  ...groundShapes(content, view, words, choice),
  ...markShapes(content, view),
  ...damageShapes(content, view, choice),
  ...sheetShapes(content, view, words),
];

/** The whole lot, or one zone with a little round it, fitted into a sheet. */
export function fitPlan(
  { zones, features }: Pick<PlanContent, 'zones' | 'features'>,
  { width, height, margin }: { width: number; height: number; margin: number },
  focus: string | null = null,
): PlanView & { toPlan: (p: Point) => Point } {
  const zone = zones.find(({ id }) => id === focus);
  const all = zone ? zone.outline : [...zones, ...features].flatMap(({ outline }) => outline);
  const xs = all.length > 0 ? all.map(({ x }) => x) : [0];
  const ys = all.length > 0 ? all.map(({ y }) => y) : [0];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const across = Math.max(1, Math.max(...xs) - left);
  const down = Math.max(1, Math.max(...ys) - top);
  const scale = Math.min((width - 2 * margin) / across, (height - 2 * margin) / down);
  const dx = (width - across * scale) / 2;
  const dy = (height - down * scale) / 2;
  return {
    width,
    height,
    scale,
    at: ({ x, y }) => ({ x: dx + (x - left) * scale, y: dy + (y - top) * scale }),
    toPlan: ({ x, y }) => ({ x: (x - dx) / scale + left, y: (y - dy) / scale + top }),
  };
}

/** A pin's picture: a path in a field of 28 by 28 with its middle at nought, stroked or filled. */
export interface PinGlyph {
  ink: 'wet' | 'dry' | 'mark' | 'warn';
  path: string;
  filled: boolean;
}
const DROP = 'M0-8C4-3 6 0 6 2.5A6 6 0 0 1-6 2.5C-6 0-4-3 0-8z';

/** Shape first, dye second: a drop for wet, a crossed drop for dry, a square for a landmark. */
export function pinGlyph(kind: string): PinGlyph {
  if (kind === 'irrigation-head') {
    return {
      ink: 'wet',
      path: 'M0 7V-1M-6-5C-4-1 4-1 6-5M-3-8C-2-5 2-5 3-8',
      filled: false,
    };
  }
  if (kind.startsWith('wet-')) return { ink: 'wet', path: DROP, filled: true };
  switch (kind) {
    case 'dry-gap':
      return { ink: 'dry', path: `${DROP}M-8 8L8-8`, filled: false };
    case 'pet-door':
      return { ink: 'warn', path: 'M-6 8V-8H4L6-6V8zM2 0v1', filled: false };
    case 'snow-pile':
      return { ink: 'warn', path: 'M-8 6L-3-3 0 1 3-5 8 6z', filled: true };
    case 'hazard':
      return { ink: 'warn', path: 'M-1.5-8H1.5L1 2H-1zM-1.5 4.500H1.5V7.500H-1.5z', filled: true };
    case 'tree':
      return { ink: 'mark', path: 'M0 8V2M0 2C-7 2-7-8 0-8S7 2 0 2z', filled: false };
    case 'well':
      return { ink: 'wet', path: 'M-7 8V-1H7V8zM-8-4H8M-5-4V-8H5V-4M0-8V-1', filled: false };
    case 'rock':
      return { ink: 'mark', path: 'M-7 5L-4-4 2-6 7 1 5 6z', filled: true };
    default:
      return { ink: 'mark', path: 'M-6-6H6V6H-6z', filled: true };
  }
}
