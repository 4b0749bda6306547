import fc from 'fast-check';
import {
  easeSchema,
  keyCharacterSchema,
  keyCharacters,
  keyModel,
  keyTaxa,
  keyTaxonSchema,
  lookAlikeSchema,
  lookAlikes,
} from '../knowledge/key';
import {
  identify,
  keyTaxon,
  plantCategory,
  statesOf,
  weedInSeason,
  type KeyAnswer,
} from './identify';
import { lookAlikesOf, tellApart } from './tellApart';
import keyCases from './testdata/keyCases.json';

const SETTING = { region: 'transition' as const, month: 7, onLawn: [] };
const rank = (taxon: string, answers: Record<string, KeyAnswer>) =>
  identify({ ...SETTING, answers }).candidates.findIndex((entry) => entry.taxon === taxon) + 1;
const rowOf = (slug: string): Record<string, KeyAnswer> =>
  Object.fromEntries(
    Object.entries(keyTaxon(slug)!.states).map(([character, states]) => [
      character,
      { state: states.split('|')[0]! },
    ]),
  );

describe('the matrix', () => {
  it('keeps its shapes and names only states that exist', () => {
    keyCharacters.forEach((entry) => keyCharacterSchema.parse(entry));
    lookAlikes.forEach((entry) => lookAlikeSchema.parse(entry));
    for (const taxon of keyTaxa) {
      keyTaxonSchema.parse(taxon);
      for (const character of Object.keys(taxon.states)) {
        const known = keyCharacters.find(({ slug }) => slug === character)!;
        expect(known.states).toEqual(expect.arrayContaining([...statesOf(taxon, character)]));
      }
    }
    expect(new Set(keyTaxa.map(({ slug }) => slug)).size).toBe(keyTaxa.length);
    expect(keyCharacters.map(({ ease }) => easeSchema.parse(ease))).toHaveLength(39);
  });
  it('pairs look-alikes that are in the key and differ', () => {
    for (const { a, b } of lookAlikes) {
      expect([a, b, tellApart(a, b).length > 0]).toEqual([a, b, true]);
    }
  });
});

describe('the posterior', () => {
  it('is what the plain product of prior and likelihoods gives', () => {
    const answers = {
      'leaf-tip': { state: 'boat-shaped' },
      'seed-head': { state: 'open-panicle' },
    };
    const base = identify({ ...SETTING, answers: {} }).candidates;
    const raw = keyTaxa.map((taxon) => {
      const l = (character: string, state: string) => {
        const n = keyCharacters.find(({ slug }) => slug === character)!.states.length;
        const own = taxon.states[character]?.split('|');
        if (!own) return 1 / n;
        if (!own.includes(state)) return 0.1 / (n - own.length);
        return own.length === 1 ? 0.9 : Math.max(0.5, 0.9 / own.length);
      };
      const prior = base.find((entry) => entry.taxon === taxon.slug)!.p;
      return prior * l('leaf-tip', 'boat-shaped') ** 0.7 * l('seed-head', 'open-panicle');
    });
    const sum = raw.reduce((a, b) => a + b, 0);
    const after = identify({ ...SETTING, answers }).candidates;
    keyTaxa.forEach((taxon, index) =>
      expect(after.find((entry) => entry.taxon === taxon.slug)!.p).toBeCloseTo(
        raw[index]! / sum,
        12,
      ),
    );
  });
  it('sums to 1 whatever is answered, in any order', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(
          keyCharacters.map(({ slug }) => slug),
          { maxLength: 8 },
        ),
        fc.nat(),
        (slugs, seed) => {
          const entries = slugs.map((slug, index) => {
            const { states } = keyCharacters.find((entry) => entry.slug === slug)!;
            return [slug, { state: states[(seed + index) % states.length]! }] as const;
          });
          const one = identify({ ...SETTING, answers: Object.fromEntries(entries) });
          const other = identify({
            ...SETTING,
            answers: Object.fromEntries([...entries].reverse()),
          });
          expect(one.candidates.reduce((total, { p }) => total + p, 0)).toBeCloseTo(1, 9);
          one.candidates.forEach(({ taxon, p }) =>
            expect(other.candidates.find((entry) => entry.taxon === taxon)!.p).toBeCloseTo(p, 9),
          );
          one.next.forEach(({ gainBits }) => expect(gainBits).toBeGreaterThan(-1e-9));
        },
      ),
      { numRuns: 60 },
    );
  });
  it('refuses a character or a state that the key does not have', () => {
    expect(() => rank('dandelion', { 'petal-count': { state: 'five' } })).toThrow(RangeError);
    expect(() => rank('dandelion', { sap: { state: 'blue' } })).toThrow(RangeError);
  });
});

describe('every plant from its own row', () => {
  it('comes first', () => {
    const wrong = keyTaxa
      .filter(({ slug }) => rank(slug, rowOf(slug)) !== 1)
      .map(({ slug }) => slug);
    expect(wrong).toEqual([]);
  });
  it('stays in the first three with any two characters unsure and one wrong', () => {
    const missed: string[] = [];
    let tried = 0;
    for (const { slug, states } of keyTaxa) {
      const own = Object.keys(states);
      own.forEach((character, index) => {
        const known = keyCharacters.find((entry) => entry.slug === character)!;
        const wrong = known.states.filter(
          (state) => !statesOf(keyTaxon(slug)!, character).includes(state),
        );
        if (wrong.length === 0) return;
        const answers = rowOf(slug);
        // Every character wrong in turn; the two unsure ones walk through the row with it.
        delete answers[own[(index + 1) % own.length]!];
        delete answers[own[(index * 7 + 3) % own.length]!];
        answers[character] = { state: wrong[index % wrong.length]! };
        tried += 1;
        if (rank(slug, answers) > 3) missed.push(`${slug}: ${character}`);
      });
    }
    expect(tried).toBeGreaterThan(3000);
    expect(missed).toEqual([]);
  });
});

/** Twenty sets of things seen, each with the plants that have all of them (worked apart from the key). */
describe('what is left by a few things seen', () => {
  it.each(keyCases.map(({ id, seen, fits }) => [id, seen as object, fits] as const))(
    '%s',
    (_, seen, fits) => {
      const left = keyTaxa.filter(({ slug }) =>
        Object.entries<string>(seen as Record<string, string>).every(([character, state]) => {
          // A character that a plant has no entry for rules it out no more than it tells for it.
          const own = statesOf(keyTaxon(slug)!, character);
          return own.length === 0 || own.includes(state);
        }),
      );
      expect(left.map(({ slug }) => slug).sort()).toEqual(fits);
      const answers = Object.fromEntries(
        Object.entries<string>(seen as Record<string, string>).map(([character, state]) => [
          character,
          { state },
        ]),
      );
      // Every month and place: what fits stands before what does not.
      const { candidates } = identify({ ...SETTING, answers });
      expect(fits).toContain(candidates[0]?.taxon);
    },
  );
});

describe('cases of the trade (common practice)', () => {
  it('asks first for what splits best', () => {
    const first = identify({ ...SETTING, answers: {} })
      .next.slice(0, 8)
      .map(({ character }) => character);
    expect(first).toEqual(expect.arrayContaining(['seed-head']));
  });
  it('tells a sedge by its edges before its name', () => {
    const { categories } = identify({
      ...SETTING,
      answers: {
        'stem-section': { state: 'triangular' },
        'leaf-arrangement': { state: 'three-ranked' },
      },
    });
    expect(categories[0]).toMatchObject({ category: 'sedge' });
    expect(categories[0]!.p).toBeGreaterThan(0.9);
  });
  it('splits wild garlic from wild onion by the hollow leaf', () => {
    const answers = { smell: { state: 'onion-garlic' }, 'leaf-section': { state: 'hollow-tube' } };
    const [first] = identify({ ...SETTING, month: 4, answers }).candidates;
    expect(first!.taxon).toBe('wild-garlic');
    expect(tellApart('wild-onion', 'wild-garlic').map(({ character }) => character)).toContain(
      'leaf-section',
    );
  });
  it('knows carpetgrass in centipede by the seed head', () => {
    const { candidates } = identify({
      region: 'south',
      month: 8,
      onLawn: ['centipede'],
      answers: {
        'seed-head': { state: 'y-or-pair-of-racemes' },
        'leaf-tip': { state: 'blunt-rounded' },
        'root-structure': { state: 'stolon' },
      },
    });
    expect(candidates[0]!.taxon).toBe('carpetgrass');
  });
  it('rules a plant out on one certain mismatch, or on two easy ones', () => {
    const of = (answers: Record<string, KeyAnswer>) =>
      identify({ ...SETTING, answers }).candidates.find(({ taxon }) => taxon === 'dandelion')!;
    expect(of({ sap: { state: 'clear' } }).ruledOut).toBe(false);
    expect(of({ sap: { state: 'clear', certain: true } }).ruledOut).toBe(true);
    expect(of({ sap: { state: 'clear' }, 'flower-color': { state: 'white' } }).ruledOut).toBe(true);
    expect(of({ ligule: { state: 'absent' } }).against).toEqual([]);
  });
  it('lets the season and the lens count', () => {
    expect(weedInSeason('henbit', { region: 'transition', month: 7 })).toBe(false);
    expect(weedInSeason('henbit', { region: 'transition', month: 3 })).toBe(true);
    const p = (lens: boolean) =>
      identify({ ...SETTING, answers: { vernation: { state: 'rolled', lens } } }).candidates.find(
        ({ taxon }) => taxon === 'tall-fescue',
      )!.p;
    expect(p(true)).toBeGreaterThan(p(false));
  });
  it('has a category for every plant and look-alikes both ways', () => {
    expect(new Set(keyTaxa.map(plantCategory))).toEqual(
      new Set(['turf-grass', 'grassy', 'sedge', 'broadleaf', 'bulb', 'moss']),
    );
    expect(lookAlikesOf('wild-garlic')).toContain('wild-onion');
    expect(tellApart('dandelion', 'nonesuch')).toEqual([]);
    expect(tellApart('dandelion', 'yellow-nutsedge').length).toBeGreaterThan(5);
  });
  it('names its constants', () => expect(keyModel.source.kind).toBe('derived'));
});
