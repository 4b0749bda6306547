/** The five places, in the order of the bar. */
export const PLACES = ['today', 'lawns', 'season', 'mix', 'guide'] as const;
export type Place = (typeof PLACES)[number];

/** Screens of a lawn that fill a phone: their main action stands where the bar would be. */
const FILL_OF_LAWN: ReadonlySet<string> = new Set([
  'walk',
  'decide',
  'mix',
  'record',
  'plan',
  'zone',
  'visit',
  'report',
  'property',
]);
const FILL_OF_LAWNS: ReadonlySet<string> = new Set(['new', 'import']);
/** Screens of a lawn that take a wide window whole, list and all. */
const WHOLE_WINDOW: ReadonlySet<string> = new Set(['walk', 'plan']);

/**
 * Where a route is: its files, not the words of its address, which may name anything (a plant page is
 * called `/guide/plant/…`).
 * @param segments the router's segments, such as `['(places)', 'lawns', '[id]', 'walk']`
 */
export function whereIs(segments: readonly string[]): {
  place: Place | undefined;
  /** No bar at the bottom of a phone. */
  fillsPhone: boolean;
  /** No list beside it in a wide window. */
  takesWindow: boolean;
} {
  const [group, first, second, third] = segments;
  const place = group === '(places)' ? PLACES.find((entry) => entry === first) : undefined;
  const ofLawn = place === 'lawns' && second === '[id]' ? (third ?? '') : null;
  return {
    place,
    fillsPhone:
      ofLawn === null
        ? place === 'lawns' && FILL_OF_LAWNS.has(second ?? '')
        : FILL_OF_LAWN.has(ofLawn),
    takesWindow: ofLawn !== null && WHOLE_WINDOW.has(ofLawn),
  };
}
