import fc from 'fast-check';
import { mergeDocuments, same, settleConflicts, valueAt, type Json } from './mergeDocuments';

const thing = (id: string, fields: Record<string, Json> = {}) => ({ id, ...fields });

describe('two devices on one document', () => {
  const base = {
    name: 'Back lawn',
    note: '',
    zones: [thing('a', { name: 'Front', irrigated: null }), thing('b', { name: 'Back' })],
    outline: [1, 2, 3],
  };
  it('keep both when they changed different fields, also inside one thing', () => {
    const mine = {
      ...base,
      note: 'gate is left',
      zones: [thing('a', { name: 'Front', irrigated: true }), base.zones[1]!],
    };
    const theirs = {
      ...base,
      zones: [
        thing('a', { name: 'Front yard', irrigated: null }),
        base.zones[1]!,
        thing('c', { name: 'Side' }),
      ],
    };
    expect(mergeDocuments(base, mine, theirs)).toEqual({
      conflicts: [],
      merged: {
        ...base,
        note: 'gate is left',
        zones: [
          thing('a', { name: 'Front yard', irrigated: true }),
          base.zones[1],
          thing('c', { name: 'Side' }),
        ],
      },
    });
  });
  it('ask when they changed the same field, and take either answer', () => {
    const merge = mergeDocuments(base, { ...base, name: 'Mine' }, { ...base, name: 'Theirs' });
    expect(merge.conflicts).toEqual([
      { path: ['name'], base: 'Back lawn', mine: 'Mine', theirs: 'Theirs' },
    ]);
    expect(settleConflicts(merge, ['mine'])).toMatchObject({ name: 'Mine' });
    expect(settleConflicts(merge, ['theirs'])).toMatchObject({ name: 'Theirs' });
  });
  it('treat a list without ids as one value', () => {
    const { conflicts } = mergeDocuments(
      base,
      { ...base, outline: [1, 2] },
      { ...base, outline: [9, 2, 3] },
    );
    expect(conflicts.map(({ path }) => path)).toEqual([['outline']]);
  });
  it('ask when one removed what the other changed, and put it back or leave it out', () => {
    const mine = {
      ...base,
      zones: [thing('a', { name: 'Front', irrigated: false }), base.zones[1]!],
    };
    const theirs = { ...base, zones: [base.zones[1]!] };
    const merge = mergeDocuments(base, mine, theirs);
    expect(merge.conflicts.map(({ path }) => path)).toEqual([['zones', 'a']]);
    expect(settleConflicts(merge, ['mine'])).toMatchObject({
      zones: [{ id: 'b' }, { id: 'a', irrigated: false }],
    });
    expect(settleConflicts(merge, ['theirs'])).toMatchObject({ zones: [{ id: 'b' }] });
    const other = mergeDocuments(base, theirs, mine);
    expect(settleConflicts(other, ['mine'])).toMatchObject({ zones: [{ id: 'b' }] });
  });
  it('remove what one removed and nobody changed', () => {
    const { merged, conflicts } = mergeDocuments(base, { ...base, zones: [base.zones[0]!] }, base);
    expect(conflicts).toEqual([]);
    expect(merged).toMatchObject({ zones: [{ id: 'a' }] });
  });
});

const document = fc.dictionary(
  fc.constantFrom('a', 'b', 'c'),
  fc.oneof(
    fc.integer(),
    fc.uniqueArray(
      fc.record({ id: fc.constantFrom('x', 'y', 'z'), n: fc.integer({ max: 3 }), m: fc.boolean() }),
      { selector: ({ id }) => id },
    ),
    fc.array(fc.integer(), { maxLength: 3 }),
  ),
) as fc.Arbitrary<{ [key: string]: Json }>;

describe('for any three copies', () => {
  it('one side unchanged gives the other side', () =>
    fc.assert(
      fc.property(document, document, (base, changed) => {
        expect(same(mergeDocuments(base, changed, base).merged, changed)).toBe(true);
        expect(same(mergeDocuments(base, base, changed).merged, changed)).toBe(true);
      }),
    ));
  it('no conflict means that every field changed on my side is there', () =>
    fc.assert(
      fc.property(document, document, document, (base, mine, theirs) => {
        const merge = mergeDocuments(base, mine, theirs);
        const merged = merge.merged as { [key: string]: Json };
        for (const key of ['a', 'b', 'c']) {
          if (merge.conflicts.some(({ path }) => path[0] === key)) continue;
          if (same(base[key], theirs[key])) {
            expect(
              merged[key] === undefined && mine[key] === undefined
                ? true
                : same(merged[key], mine[key]),
            ).toBe(true);
          }
        }
      }),
    ));
  it('choosing mine everywhere keeps every value of mine that was in question', () =>
    fc.assert(
      fc.property(document, document, document, (base, mine, theirs) => {
        const merge = mergeDocuments(base, mine, theirs);
        const settled = settleConflicts(
          merge,
          merge.conflicts.map(() => 'mine' as const),
        );
        for (const { path, mine: value } of merge.conflicts) {
          const at = valueAt(settled, path);
          expect(value === undefined ? at === undefined : same(at, value)).toBe(true);
        }
      }),
    ));
});
