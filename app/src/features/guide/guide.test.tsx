import { grasses, weeds } from '@alfombra/core';
import { keyTaxa, lookAlikes } from '@alfombra/core/key';
import { fireEvent, render, screen } from '@testing-library/react';
import '@/i18n/deepWords';
import { GuideScreen } from './GuideScreen';
import { PairScreen } from './PairScreen';
import { pairOf, pairSlug } from './pairSlug';
import { PlantScreen } from './PlantScreen';

let mockParams: { view?: string } = {};
jest.mock('expo-router', () => ({
  ...jest.requireActual('@/testdata/LinkStandIn'),
  usePathname: () => '/',
  useRouter: () => ({ setParams: (params: object) => (mockParams = params) }),
  useLocalSearchParams: () => mockParams,
}));

/** A key of the catalog that was shown because it has no words, or a placeholder left over. */
const RAW = /\{\{|\b(guide|key|source|grass|weed|cause)\.[a-z]/;

beforeEach(() => {
  mockParams = {};
});

/** One in so many: whole screens take their time to draw, the catalogs' test covers every word. */
const oneIn = <Item,>(step: number, items: readonly Item[]) =>
  items.filter((_, index) => index % step === 0);

it('shows plants with their facts and characters in words', () => {
  const plants = new Set([...grasses, ...weeds, ...keyTaxa].map(({ slug }) => slug as string));
  for (const slug of oneIn(4, [...plants])) {
    const { container, unmount } = render(<PlantScreen slug={slug} />);
    expect([slug, RAW.exec(container.textContent ?? '')]).toEqual([slug, null]);
    expect(container.textContent).not.toMatch(/undefined|NaN|null/);
    expect(container.textContent!.length).toBeGreaterThan(100);
    unmount();
  }
});

it('shows look-alike pairs with a drawing on both sides of each difference', () => {
  for (const { a, b } of oneIn(4, lookAlikes)) {
    const { container, unmount } = render(<PairScreen slug={pairSlug(a, b)} />);
    expect([a, b, RAW.exec(container.textContent ?? '')]).toEqual([a, b, null]);
    expect(container.querySelectorAll('svg').length).toBeGreaterThan(1);
    unmount();
  }
});

it('says so when an address names no plant and no pair', () => {
  render(<PlantScreen slug="no-such-plant" />);
  expect(screen.getByText(/matches “no-such-plant”/)).toBeTruthy();
  expect([pairOf('a'), pairOf('a~b~c'), pairOf('~b'), pairOf('a~b')]).toEqual([
    null,
    null,
    null,
    ['a', 'b'],
  ]);
});

it('finds a plant by its Latin name and opens it', () => {
  mockParams = { view: 'plants' };
  render(<GuideScreen />);
  fireEvent.change(screen.getByLabelText(/Find a plant/), { target: { value: 'sanguinalis' } });
  const rows = screen.getAllByRole('link');
  expect(rows).toHaveLength(1);
  expect(rows[0]!.getAttribute('href')).toBe('/guide/plant/large-crabgrass');
});

it('narrows the list by kind and turns to another view', () => {
  render(<GuideScreen />);
  const all = screen.getAllByRole('link').length;
  fireEvent.click(screen.getByRole('button', { name: 'insects' }));
  const insects = screen.getAllByRole('link').length;
  expect(insects).toBeGreaterThan(5);
  expect(insects).toBeLessThan(all);
  fireEvent.mouseDown(screen.getByRole('tab', { name: 'Look-alikes' }), { button: 0 });
  expect(mockParams).toEqual({ view: 'pairs' });
});
