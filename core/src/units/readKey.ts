/** Figures that differ by less than anybody reads are the same. */
const asRead = (_key: string, value: unknown): unknown =>
  typeof value === 'number' ? Number(value.toPrecision(6)) : value;

/** Name of what is said: alike for two things whose figures nobody could tell apart, such as shares of one job. */
export const readKey = (said: unknown): string => JSON.stringify(said, asRead);

/** What is said several times, each word once. */
export const saidOnce = <Said extends object>(said: readonly Said[]): Said[] => [
  ...new Map(said.map((one) => [readKey(one), one])).values(),
];
