import { create } from 'zustand';

interface VersionState {
  /** Opens the version that is ready; `null` while this is the newest. */
  open: (() => void) | null;
}

/** Whether a newer version of the app has come and waits to be opened. */
export const useVersionStore = create<VersionState>()(() => ({ open: null }));

/** A tab stays open for days: how often it asks for a newer version. */
const ASKS_EVERY_MS = 60 * 60_000;
let registered = false;

/** Lets the app start without a signal; only the built app has a service worker. */
export async function registerServiceWorker(): Promise<void> {
  if (registered || process.env.NODE_ENV !== 'production') return;
  if (typeof navigator === 'undefined' || !('serviceWorker' in navigator)) return;
  registered = true;
  const { Workbox } = await import('workbox-window');
  const worker = new Workbox('/sw.js');
  worker.addEventListener('waiting', () => {
    useVersionStore.setState({
      open: () => {
        worker.addEventListener('controlling', () => window.location.reload());
        worker.messageSkipWaiting();
      },
    });
  });
  await worker.register();
  setInterval(() => void worker.update().catch(() => undefined), ASKS_EVERY_MS);
}
