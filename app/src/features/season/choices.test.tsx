import '@/i18n/deepWords';
import { render, screen, within } from '@testing-library/react';
import { testQuestion } from '@/testdata/testQuestion';
import { Options } from './ChoiceSheet';
import { choicesView, seasonView } from '@/workers/seasonView';

jest.mock('@/features/shelf/useProducts', () => ({
  useProducts: () => jest.requireActual<typeof import('@alfombra/core')>('@alfombra/core').LIBRARY,
}));

const weeds = [
  { weed: 'large-crabgrass', cover: 0.05, growing: false },
  { weed: 'dandelion', cover: 0.2, growing: true },
  { weed: 'white-clover', cover: 0.1, growing: true },
];

function open(question = testQuestion({ weeds })) {
  const { steps } = seasonView(question).season;
  const control = steps.find(({ kind }) => kind === 'control')!;
  const choices = choicesView(question, control.id);
  render(<Options choices={choices} steps={steps} />);
  return choices;
}

it('puts the pre-emergent and the weeds of a day into one walk, beside what each alone would cost', () => {
  const choices = open();
  const card = within(screen.getByTestId('together-cheapest'));
  const [cheapest] = choices.together!.options;
  const { walks } = cheapest!;
  expect(walks.length).toBeLessThan(choices.together!.stepIds.length);
  expect(card.getByText(walks.length === 1 ? '1 walk' : `${walks.length} walks`)).toBeTruthy();
  expect(card.getAllByText(/On the leaf, and kept dry/).length).toBeGreaterThan(0);
  expect(card.getByText(`$${cheapest!.totalUsdInvented.toFixed(2)}`)).toBeTruthy();
  expect(
    screen.getByText(new RegExp(`One after the other: ${choices.together!.stepIds.length} walks`)),
  ).toBeTruthy();
});
it('shows what each way is expected to do, by weed', () => {
  const choices = open();
  const [cheapest] = choices.options;
  const card = within(screen.getByTestId('choice-cheapest'));
  for (const pct of Object.values(cheapest!.control)) {
    expect(card.getAllByText(`${Math.round(pct)} % expected`).length).toBeGreaterThan(0);
  }
  const names: Record<string, string> = { dandelion: 'Dandelion', 'white-clover': 'White clover' };
  for (const weed of Object.keys(cheapest!.control)) {
    expect(card.getByText(names[weed]!)).toBeTruthy();
  }
});
it('says so where no product does it', () => {
  render(
    <Options choices={{ options: [], excluded: [], relaxed: [], together: null }} steps={[]} />,
  );
  expect(screen.getByText('No product on your shelf does it within the rules.')).toBeTruthy();
});
it('names what asking less would save', () => {
  render(
    <Options
      choices={{
        options: open().options,
        excluded: [],
        relaxed: [{ weed: 'wild-violet', targetPct: 65, savesUsdInvented: 4.2 }],
        together: null,
      }}
      steps={[]}
    />,
  );
  expect(screen.getByText('Wild violet: 65 % would do? Saves $4.20')).toBeTruthy();
});
it('refuses a step about which there is nothing to choose', () => {
  expect(() => choicesView(testQuestion(), 'none')).toThrow(RangeError);
});
