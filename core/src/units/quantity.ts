declare const unitTag: unique symbol;

/**
 * A number that carries its unit in the type, so that a rate per acre cannot be passed where a rate
 * per 1000 ft² is meant. Made by the constructors in this folder only.
 */
export type Quantity<Unit extends string> = number & { readonly [unitTag]: Unit };

/** Puts a unit on a bare number. `NaN` and infinities are programming errors and throw. */
export function quantity<Unit extends string>(value: number): Quantity<Unit> {
  if (!Number.isFinite(value)) throw new RangeError(`not a finite quantity: ${value}`);
  return value as Quantity<Unit>;
}
