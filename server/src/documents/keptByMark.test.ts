import { KeptByMark } from './keptByMark';

const make = (text: string) => jest.fn(() => Promise.resolve(text));

it('makes a value once for each state, however many ask at the same time', async () => {
  const kept = new KeptByMark<string>(({ length }) => length, 100);
  const first = make('a');
  expect(await Promise.all([kept.of('one', '1', first), kept.of('one', '1', first)])).toEqual([
    'a',
    'a',
  ]);
  await kept.of('one', '1', first);
  expect(first).toHaveBeenCalledTimes(1);
  expect(await kept.of('one', '2', make('b'))).toBe('b');
  expect(await kept.of('two', '2', make('c'))).toBe('c');
});

it('keeps no failure', async () => {
  const kept = new KeptByMark<string>(({ length }) => length, 100);
  await expect(kept.of('one', '1', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(await kept.of('one', '1', make('a'))).toBe('a');
});

it.each([
  ['all at the limit', 10, []],
  ['one letter over it not the one asked longest ago', 9, ['two']],
  ['less when there is less room', 6, ['one', 'two']],
  ['the last even if it alone is too much', 3, ['one', 'two']],
])('keeps %s', async (_case, most, gone) => {
  const kept = new KeptByMark<string>(({ length }) => length, most);
  for (const [id, text] of [
    ['one', 'aaa'],
    ['two', 'bbb'],
    ['one', 'aaa'],
    ['three', 'cccc'],
  ] as const) {
    await kept.of(id, '1', make(text));
  }
  const madeAgain: string[] = [];
  for (const id of ['three', 'one', 'two']) {
    await kept.of(id, '1', () => {
      madeAgain.push(id);
      return Promise.resolve('aaa');
    });
  }
  expect(madeAgain).toEqual(gone);
});
