import { fireEvent, render, screen, within } from '@testing-library/react';
import {
  LIBRARY,
  mixCard,
  shelfLabelSchema,
  shelfOf,
  type MixInput,
  type Shelf,
} from '@alfombra/core';
import '@/i18n/deepWords';
import { MixCardView } from './MixCardView';

function show(input: Partial<MixInput> = {}, shelf: Shelf = LIBRARY) {
  const card = mixCard(
    {
      products: [{ herbicide: 'quinclorac', ratePerAcre: 16 }],
      areaFt2: 10_000,
      carrierGalPer1000: 1,
      tankGal: 4,
      ...input,
    },
    shelf,
  );
  render(<MixCardView card={card} areaFt2={input.areaFt2 ?? 10_000} />);
  return card;
}
/** The lines of the card as they are read, top to bottom. */
const lines = () =>
  within(screen.getByTestId('mix-card'))
    .getAllByText(/^\d+ · /)
    .map((line) => line.textContent);

it('numbers the pours in the order of filling', () => {
  show();
  expect(lines()).toEqual([
    '1 · half the water first',
    '2 · quinclorac',
    '3 · methylated seed oil, 1 %',
    '4 · fill to the line, hose above the rim',
  ]);
});

it('says how many loads, and shows the last one when it is asked for', () => {
  const card = show();
  expect(screen.getByTestId('loads').textContent).toBe('2 loads of 4 gal + last load 2 gal');
  expect(within(screen.getByTestId('mix-card')).getByText('covers 4,000 ft²')).toBeTruthy();
  fireEvent.mouseDown(screen.getByRole('tab', { name: 'Last load' }), { button: 0 });
  expect(within(screen.getByTestId('mix-card')).getByText('covers 2,000 ft²')).toBeTruthy();
  expect(card.last?.gallons).toBe(2);
});

it('says why loads are alike', () => {
  show({ areaFt2: 8_400 });
  expect(screen.getByText('made alike, so that the last is not too small to mix')).toBeTruthy();
  expect(screen.queryByText('Last load')).toBeNull();
});

it('says when more is mixed than the job takes', () => {
  show({ areaFt2: 400 });
  expect(screen.queryByText('Rinse the measure into the tank. Nothing left over.')).toBeNull();
  expect(screen.getByTestId('loads').textContent).toBe('1 load of 1 gal');
});

it('names what stays over, and where it may go', () => {
  show({ areaFt2: 400 });
  screen.getByText(/0\.6 gal stay over, enough for 600 ft²: today, on other turf/);
});

it('mixes more where so little cannot be measured truly: 0.88 mL of 1.3 fl oz an acre', () => {
  const card = show({
    products: [{ herbicide: 'topramezone', ratePerAcre: 1.3 }],
    areaFt2: 1_000,
  });
  expect(card.largerFor).toBe('measuring');
  screen.getByText(/cannot be measured within 5 %/);
});

it('gives no card for what is over its label or not for home lawns, and says why', () => {
  show({ products: [{ herbicide: 'quinclorac', ratePerAcre: 160 }] });
  screen.getByText('quinclorac: 160 oz an acre is over the label’s 16');
  show({ products: [{ herbicide: 'msma', ratePerAcre: 32 }] });
  screen.getByText(/not for home lawns/);
  expect(screen.queryByTestId('mix-card')).toBeNull();
});

it('shows the amounts of a total killer once somebody says that it is meant', () => {
  show({ products: [{ herbicide: 'glyphosate', ratePerAcre: 64 }] });
  expect(screen.queryByTestId('mix-card')).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'It is meant: show the amounts' }));
  screen.getByTestId('mix-card');
});

it('keeps granules out of the tank', () => {
  show({ products: [{ herbicide: 'corn-gluten-meal', ratePerAcre: 871 }], areaFt2: 1000 });
  expect(screen.queryByTestId('mix-card')).toBeNull();
  screen.getByTestId('spread-card');
});

it('says the same care on every card', () => {
  show();
  for (const words of [
    /^Drift: /,
    /^The hose/,
    /^Rinse empty/,
    /^Tell the customer/,
    /^Leftovers/,
  ]) {
    screen.getByText(words);
  }
});

it('takes a recipe apart: nobody measures a dose', () => {
  show({ products: [{ herbicide: 'tank-mesotrione-triclopyr', ratePerAcre: 1 }] });
  expect(lines()).toEqual(expect.arrayContaining([expect.stringMatching(/· mesotrione$/)]));
  expect(lines()).toEqual(expect.arrayContaining([expect.stringMatching(/· triclopyr/)]));
  expect(screen.queryByText(/dose/)).toBeNull();
});

it('puts the label above itself, every time', () => {
  show();
  expect(screen.getByText('The label on your truck decides. Typical values here.')).toBeTruthy();
  expect(screen.getByText(/^Signal word: /)).toBeTruthy();
  expect(screen.getByText(/People and pets off until it is dry/)).toBeTruthy();
  expect(screen.getByText(/Clean the tank/)).toBeTruthy();
});

it('says what the company’s own label says of people and places', () => {
  const label = shelfLabelSchema.parse({
    id: '0190a000-0000-7000-8000-000000000001',
    base: { kind: 'herbicide', slug: 'quinclorac' },
    name: 'House grass killer (made up)',
    signalWord: 'danger',
    unit: LIBRARY.herbicide('quinclorac')!.unit,
    highPerAcre: 16,
    homeLawns: true,
    reentryHours: 24,
    siteBans: 'not within 25 ft of a pond',
  });
  show({}, shelfOf([label]));
  screen.getByText(/people and pets off for 24 hours/);
  screen.getByText('Your label bars: not within 25 ft of a pond');
  screen.getByText(/Signal word: danger/i);
});
