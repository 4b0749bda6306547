import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { PLACES, whereIs } from './places';

/** Every route file as the router's segments. */
function routes(folder: string, before: string[] = []): string[][] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory()) return routes(join(folder, entry.name), [...before, entry.name]);
    const name = entry.name.replace(/\.tsx$/, '');
    if (/^[_+]/.test(name)) return [];
    return [name === 'index' ? before : [...before, name]];
  });
}
const ALL = routes(join(__dirname, '../../app'));

it('knows a place for every route behind the door', () => {
  const inside = ALL.filter(([group]) => group === '(places)');
  expect(inside.length).toBeGreaterThan(25);
  for (const segments of inside) expect(PLACES).toContain(whereIs(segments).place);
});

it('takes the bar away on these routes and no others', () => {
  const filled = ALL.filter((segments) => whereIs(segments).fillsPhone).map((segments) =>
    segments.slice(1).join('/'),
  );
  expect(filled.sort()).toEqual([
    'lawns/[id]/decide',
    'lawns/[id]/mix/[step]',
    'lawns/[id]/plan',
    'lawns/[id]/property',
    'lawns/[id]/record/[step]',
    'lawns/[id]/report',
    'lawns/[id]/visit',
    'lawns/[id]/walk',
    'lawns/[id]/zone/[zone]',
    'lawns/import',
    'lawns/new',
  ]);
});

it('goes by the file, not by a word in the address', () => {
  expect(whereIs(['(places)', 'guide', 'plant', '[plant]'])).toEqual({
    place: 'guide',
    fillsPhone: false,
    takesWindow: false,
  });
  expect(whereIs(['(places)', 'lawns', '[id]', 'walk']).takesWindow).toBe(true);
  expect(whereIs(['sign-in'])).toEqual({
    place: undefined,
    fillsPhone: false,
    takesWindow: false,
  });
});
