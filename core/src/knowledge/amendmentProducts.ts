/** What is spread on or sprayed for the soil or for colour; most at once, in its unit per 1000 ft². */
export const amendmentProducts = [
  { slug: 'ground-limestone', unit: 'lb', once: 50, year: null },
  { slug: 'dolomitic-limestone', unit: 'lb', once: 50, year: null },
  { slug: 'elemental-sulfur', unit: 'lb', once: 5, year: 10 },
  { slug: 'gypsum', unit: 'lb', once: 40, year: null },
  { slug: 'ferrous-sulfate', unit: 'oz', once: 4, year: null },
  { slug: 'iron-chelate', unit: 'oz', once: 6, year: null },
  { slug: 'compost', unit: 'lb', once: 900, year: null },
  { slug: 'topsoil', unit: 'lb', once: 1500, year: null },
  { slug: 'sand', unit: 'lb', once: 2000, year: null },
  { slug: 'peat', unit: 'lb', once: 400, year: null },
] as const;
export type AmendmentSlug = (typeof amendmentProducts)[number]['slug'];
export const amendmentSlugs = amendmentProducts.map(({ slug }) => slug) as [
  AmendmentSlug,
  ...AmendmentSlug[],
];
