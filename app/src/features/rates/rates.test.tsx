import '@/i18n/deepWords';
import { fireEvent, render, screen, within } from '@testing-library/react';
import { testQuestion } from '@/testdata/testQuestion';
import { ratesView } from '@/workers/seasonView';
import { RateRows } from './RateRows';

jest.mock('expo-router', () => ({
  ...jest.requireActual('@/testdata/LinkStandIn'),
  usePathname: () => '/',
  useRouter: () => ({ push: jest.fn() }),
}));
jest.mock('@/features/shelf/useProducts', () => ({
  useProducts: () => jest.requireActual<typeof import('@alfombra/core')>('@alfombra/core').LIBRARY,
}));

function open() {
  const question = testQuestion();
  const card = ratesView(question, question.lawn.zones[0]!.id);
  render(<RateRows card={card} zone={question.lawn.zones[0]!} />);
  return card;
}
const row = (name: RegExp) => screen.getByRole('button', { name });
const find = (name: string) =>
  fireEvent.change(screen.getByLabelText('Find a product'), { target: { value: name } });

it('says what the rates stand on, and leaves no word or figure out', () => {
  const card = open();
  expect(screen.getByText(/: Tall fescue, greening up$/)).toBeTruthy();
  expect(screen.getByText(`Soil ${Math.round(card.soilF!)} °F, warming`)).toBeTruthy();
  for (const kind of ['Insects, disease', 'Fertilizer', 'Seed', 'Weeds']) {
    fireEvent.click(screen.getByRole('button', { name: kind }));
    for (const all of screen.queryAllByText(/^All \d+ of these$/)) fireEvent.click(all);
    expect(document.body.textContent).not.toMatch(/NaN|undefined|null|rule\.|rateCard\.|\{\{/);
  }
});
it('parts what goes from what waits and what never may, each with what decides', () => {
  open();
  find('atrazine');
  expect(within(row(/^atrazine/)).getByText('never')).toBeTruthy();
  find('prodiamine');
  const prodiamine = row(/^prodiamine/);
  expect(within(prodiamine).getByText(/ oz$/)).toBeTruthy();
  expect(
    within(prodiamine).getByText(/^Holds \d+–\d+ days in this soil; the table says 84–168$/),
  ).toBeTruthy();
});
it('opens a product with its amount for the zone and the way to its mix card', () => {
  open();
  find('prodiamine');
  fireEvent.click(row(/^prodiamine/));
  const sheet = within(screen.getByRole('dialog'));
  expect(sheet.getByText('What decides')).toBeTruthy();
  expect(sheet.getByText(/^For the whole zone, [\d,]+ ft²$/)).toBeTruthy();
  expect(
    sheet.getByText(/The label in hand, local law and a licensed applicator decide/),
  ).toBeTruthy();
  expect(sheet.getByRole('link', { name: 'Mix card for this zone' }).getAttribute('href')).toMatch(
    /^\/mix\/card\?product=prodiamine&rate=[\d.]+&area=3000$/,
  );
});
it('shows only what is in store when asked, and says when that is nothing', () => {
  open();
  fireEvent.click(screen.getByRole('button', { name: 'In store only' }));
  expect(screen.getByText('Nothing of that kind.')).toBeTruthy();
});
