/**
 * A small deterministic generator (mulberry32): the same seed gives the same stream on every machine.
 * For simulation, not for secrets.
 */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** Standard normal draws from a uniform stream (Box-Muller). */
export function normalDraws(uniform: () => number): () => number {
  return () => {
    const radius = Math.sqrt(-2 * Math.log(1 - uniform()));
    return radius * Math.cos(2 * Math.PI * uniform());
  };
}
