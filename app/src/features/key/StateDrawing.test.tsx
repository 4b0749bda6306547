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

it.each(keyCharacters.map(({ slug }) => slug))(
  'draws every state of %s, each in its own way',
  (character) => {
    const { states } = keyCharacters.find(({ slug }) => slug === character)!;
    const drawn = states.map((state) => {
      const { container, unmount } = render(<StateDrawing character={character} state={state} />);
      const paths = [...container.querySelectorAll('path')].map((path) => path.outerHTML);
      unmount();
      return paths.join('|');
    });
    expect(drawn.filter((paths) => paths === '')).toEqual([]);
    expect(new Set(drawn).size).toBe(states.length);
  },
);

it('draws every look-alike pair in what tells it apart', () => {
  expect(lookAlikes.length).toBeGreaterThan(30);
  expect(lookAlikes.filter(({ a, b }) => tellApart(a, b).length === 0)).toEqual([]);
});
