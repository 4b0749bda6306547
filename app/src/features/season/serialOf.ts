const serials = new WeakMap<object, number>();
let next = 1;

/** A number for a thing as it is: another content is another thing, since answers that say the same are kept as they were. */
export function serialOf(thing: object): number {
  const known = serials.get(thing) ?? next++;
  serials.set(thing, known);
  return known;
}
