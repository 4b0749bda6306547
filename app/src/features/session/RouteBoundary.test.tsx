import { fireEvent, render, screen } from '@testing-library/react';
import { RouteBoundary } from './RouteBoundary';

let mockPath = '/lawns/a';
jest.mock('expo-router', () => ({
  ...jest.requireActual('@/testdata/LinkStandIn'),
  usePathname: () => mockPath,
}));
let broken = true;
function Page() {
  if (broken) throw new Error('a chunk did not come');
  return <p>The page</p>;
}
beforeEach(() => {
  broken = true;
  mockPath = '/lawns/a';
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
});
afterEach(() => jest.restoreAllMocks());

it('says that the screen failed, and tries again when asked', () => {
  render(
    <RouteBoundary>
      <Page />
    </RouteBoundary>,
  );
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('That did not work');
  expect(screen.getByRole('link', { name: 'Lawns' }).getAttribute('href')).toBe('/lawns');
  broken = false;
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(screen.getByText('The page')).toBeTruthy();
});

it('is gone on the next page', () => {
  const view = render(
    <RouteBoundary>
      <Page />
    </RouteBoundary>,
  );
  broken = false;
  mockPath = '/today';
  view.rerender(
    <RouteBoundary>
      <Page />
    </RouteBoundary>,
  );
  expect(screen.getByText('The page')).toBeTruthy();
});
