import { keyCharacters, lookAlikes, tellApart } from '@alfombra/core/key';
import { render } from '@testing-library/react';
import { drawings } from './drawings';
import { StateDrawing } from './StateDrawing';

it('draws only states that the key has', () => {
  for (const [character, states] of Object.entries(drawings)) {
    const known = keyCharacters.find(({ slug }) => slug === character);
    expect([character, known === undefined]).toEqual([character, false]);
    expect(Object.keys(states).filter((state) => !known!.states.includes(state))).toEqual([]);
  }
});

it.each([
  'seed-head',
  'ligule',
  'leaf-tip',
  'vernation',
  'stem-section',
  'leaf-section',
  'auricles',
  'leaf-type',
  'root-structure',
])('draws every state of %s, each in its own way', (character) => {
  const { states } = keyCharacters.find(({ slug }) => slug === character)!;
  const drawn = states.map((state) => {
    const { container, unmount } = render(<StateDrawing character={character} state={state} />);
    const paths = [...container.querySelectorAll('path')].map((path) => path.getAttribute('d'));
    unmount();
    return paths.join('|');
  });
  expect(drawn.filter((paths) => paths === '')).toEqual([]);
  expect(new Set(drawn).size).toBe(states.length);
});

it('has a drawing for what tells most look-alikes apart', () => {
  const drawn = lookAlikes.filter(({ a, b }) =>
    tellApart(a, b).some(({ character }) => character in drawings),
  );
  expect(drawn.length / lookAlikes.length).toBeGreaterThan(0.8);
});

it('is nothing where words tell it better', () => {
  const { container } = render(<StateDrawing character="smell" state="none" />);
  expect(container.innerHTML).toBe('');
});
