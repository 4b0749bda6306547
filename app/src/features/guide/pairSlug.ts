const BETWEEN = '~';

/** Address of a look-alike pair's page. */
export const pairSlug = (a: string, b: string) => `${a}${BETWEEN}${b}`;

/** The two plants of such an address, or `null` when it names no two. */
export function pairOf(slug: string): [string, string] | null {
  const [a, b, ...rest] = slug.split(BETWEEN);
  return a && b && rest.length === 0 ? [a, b] : null;
}
