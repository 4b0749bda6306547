import { fireEvent, render, screen } from '@testing-library/react';
import { signs } from '@alfombra/core';
import '@/i18n/deepWords';
import { SignChip, type SignState } from './SignChip';
import { SignPictogram } from './SignPictogram';

function chip(state: SignState) {
  const answers: (boolean | null)[] = [];
  render(
    <SignChip
      slug="s-edge-yellow"
      state={state}
      onAnswer={(value) => answers.push(value)}
      onHow={() => undefined}
    />,
  );
  fireEvent.click(screen.getByRole('button'));
  return answers;
}

it.each([
  ['open', true],
  ['yes', false],
  ['no', null],
] as const)('a tap on %s answers %p', (state, next) => {
  expect(chip(state)).toEqual([next]);
});

it('says its state in words, not by colour alone', () => {
  chip('no');
  expect(screen.getByRole('button', { name: 'Yellow rim: no' })).toBeTruthy();
});

it('has a drawing for every sign', () => {
  for (const { slug } of signs) {
    const { container, unmount } = render(<SignPictogram slug={slug} />);
    expect(container.querySelectorAll('path, circle, ellipse, rect, line').length).toBeGreaterThan(
      1,
    );
    unmount();
  }
});
