import { act, fireEvent, render, screen } from '@testing-library/react';
import { useVersionStore } from '@/state/serviceWorker';
import { useUnsaved } from '@/state/unsavedStore';
import { VersionBar } from './VersionBar';

const open = jest.fn();
afterEach(() => {
  act(() => useVersionStore.setState({ open: null }));
  open.mockReset();
});
function Form({ unsaved }: { unsaved: boolean }) {
  useUnsaved(unsaved);
  return null;
}

it('says nothing while this is the newest version', () => {
  render(<VersionBar />);
  expect(screen.queryByRole('region')).toBeNull();
});

it('opens the newer version when it is pressed', () => {
  useVersionStore.setState({ open });
  render(<VersionBar />);
  fireEvent.click(screen.getByRole('button', { name: 'Open it' }));
  expect(open).toHaveBeenCalledTimes(1);
});

it('waits while something is being typed, and no longer', () => {
  useVersionStore.setState({ open });
  const form = render(
    <>
      <Form unsaved />
      <VersionBar />
    </>,
  );
  expect(screen.queryByRole('button')).toBeNull();
  expect(screen.getByRole('status').textContent).toMatch(/when what you are typing is kept/);
  form.rerender(
    <>
      <Form unsaved={false} />
      <VersionBar />
    </>,
  );
  expect(screen.getByRole('button', { name: 'Open it' })).toBeTruthy();
});
