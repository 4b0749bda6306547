/** What is spread on or sprayed for the soil or for colour; most at once, in its unit per 1000 ft², and days between (memory). */
export const amendmentProducts = [
  { slug: 'ground-limestone', unit: 'lb', once: 50, year: null, intervalDays: 90 },
  { slug: 'dolomitic-limestone', unit: 'lb', once: 50, year: null, intervalDays: 90 },
  { slug: 'elemental-sulfur', unit: 'lb', once: 5, year: 10, intervalDays: 60 },
  { slug: 'gypsum', unit: 'lb', once: 40, year: null, intervalDays: 90 },
  { slug: 'ferrous-sulfate', unit: 'oz', once: 4, year: null, intervalDays: 14 },
  { slug: 'iron-chelate', unit: 'oz', once: 6, year: null, intervalDays: 14 },
  { slug: 'compost', unit: 'lb', once: 900, year: null, intervalDays: null },
  { slug: 'topsoil', unit: 'lb', once: 1500, year: null, intervalDays: null },
  { slug: 'sand', unit: 'lb', once: 2000, year: null, intervalDays: null },
  { slug: 'peat', unit: 'lb', once: 400, year: null, intervalDays: null },
] as const;
export type AmendmentSlug = (typeof amendmentProducts)[number]['slug'];
export const amendmentSlugs = amendmentProducts.map(({ slug }) => slug) as [
  AmendmentSlug,
  ...AmendmentSlug[],
];
