import 'fake-indexeddb/auto';
import { hashKey, QueryClient } from '@tanstack/react-query';
import { createStore, set } from 'idb-keyval';
import { answerStore, clearAnswers, keepAnswers, keepTaken, keptTaken } from './answerStore';
import { keys } from './keys';
import { persister } from './queryClient';
import { personIs } from '@/state/person';

beforeEach(() => void personIs('me'));
afterEach(clearAnswers);

it('keeps answers under the hash that the cache looks for', () => {
  for (const key of [keys.lawns, keys.lawn('a'), keys.ofLawn('a', 'visits'), keys.weather('x')]) {
    expect(JSON.stringify(key)).toBe(hashKey(key));
  }
});

it('is read by a screen as if the screen had asked itself', async () => {
  const lawns = Array.from({ length: 1200 }, (_, index) => ({
    key: keys.lawn(`lawn-${index}`),
    data: { id: `lawn-${index}` },
  }));
  await keepAnswers('me', lawns, Date.now());
  const asked = jest.fn();
  const client = new QueryClient({
    defaultOptions: { queries: { persister: persister.persisterFn, retry: false } },
  });
  const read = await client.fetchQuery({ queryKey: keys.lawn('lawn-1199'), queryFn: asked });
  expect(read).toEqual({ id: 'lawn-1199' });
  expect(asked).not.toHaveBeenCalled();
  client.clear();
});

it('is forgotten when it is too old', async () => {
  await keepAnswers(
    'me',
    [{ key: keys.lawn('old'), data: 1 }],
    Date.now() - answerStore.maxAge - 1,
  );
  const client = new QueryClient({
    defaultOptions: { queries: { persister: persister.persisterFn, retry: false } },
  });
  expect(await client.fetchQuery({ queryKey: keys.lawn('old'), queryFn: () => 2 })).toBe(2);
  client.clear();
});

it('does not say that it has what an older app has kept', async () => {
  await keepTaken('me', { files: 'abc' }, 5);
  expect(await keptTaken('me')).toMatchObject({ taken: { files: 'abc' }, at: 5 });
  const place = createStore('alfombra-answers', 'answers');
  await set('me/taken-along', { taken: { files: 'abc' }, at: 5, buster: 'v2' }, place);
  expect(await keptTaken('me')).toBeUndefined();
});

it('is not what the next person on this device reads', async () => {
  await keepAnswers('somebody else', [{ key: keys.lawn('a'), data: 'theirs' }], Date.now());
  const client = new QueryClient({
    defaultOptions: { queries: { persister: persister.persisterFn, retry: false } },
  });
  expect(await client.fetchQuery({ queryKey: keys.lawn('a'), queryFn: () => 'mine' })).toBe('mine');
  expect(await keptTaken('somebody else')).toBeUndefined();
  client.clear();
});
