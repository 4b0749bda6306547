/** Loaded before the server: at a signal it notes the longest time that the event loop was held since the last one. */
import { writeFileSync } from 'node:fs';
import { monitorEventLoopDelay } from 'node:perf_hooks';

const RESOLUTION_MS = 5;
const histogram = monitorEventLoopDelay({ resolution: RESOLUTION_MS });
histogram.enable();
process.on('SIGUSR2', () => {
  // The longest gap between two looks, less the time between looks itself.
  const heldMs = Math.max(0, histogram.max / 1e6 - RESOLUTION_MS);
  writeFileSync(process.env.LOOP_WATCH_FILE ?? '', heldMs.toFixed(1));
  histogram.reset();
});
