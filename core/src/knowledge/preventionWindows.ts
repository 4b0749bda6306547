import type { Source } from './source';

/** Soil at 2 in between which prevention of a cause pays, and which way the soil moves. */
export interface PreventionWindow {
  cause: string;
  direction: 'rising' | 'falling';
  opensF: number;
  bestF: number;
  closesF: number;
  /** Modes of action that this window is for; with `others`, every one but these. Without: any. */
  groups?: readonly string[];
  others?: boolean;
  /** A thing of looks, or one that culture holds down: prevented only where the finish asks for it, or somebody decided. */
  showpiece?: boolean;
  source: Source;
}

const MEMORY: Source = { kind: 'memory' };

/**
 * Causes that are worth preventing where they were before. Grubs: early for slow products, before
 * eggs hatch for quick ones; diseases of root and crown by soil temperature (typical values).
 */
export const preventionWindows: readonly PreventionWindow[] = [
  // Slow to move in: weeks before the eggs are laid.
  {
    cause: 'white-grub',
    direction: 'rising',
    opensF: 58,
    bestF: 63,
    closesF: 70,
    groups: ['28'],
    others: false,
    source: MEMORY,
  },
  // Not longer than six weeks before they hatch.
  {
    cause: 'white-grub',
    direction: 'rising',
    opensF: 68,
    bestF: 73,
    closesF: 80,
    groups: ['28'],
    others: true,
    source: MEMORY,
  },
  { cause: 'billbug', direction: 'rising', opensF: 50, bestF: 55, closesF: 65, source: MEMORY },
  { cause: 'chinch-bug', direction: 'rising', opensF: 67, bestF: 72, closesF: 82, source: MEMORY },
  {
    cause: 'mole-cricket',
    direction: 'rising',
    opensF: 72,
    bestF: 74,
    closesF: 80,
    source: MEMORY,
  },
  {
    cause: 'summer-patch',
    direction: 'rising',
    opensF: 62,
    bestF: 65,
    closesF: 72,
    source: MEMORY,
  },
  {
    cause: 'necrotic-ring-spot',
    direction: 'rising',
    opensF: 58,
    bestF: 60,
    closesF: 68,
    source: MEMORY,
  },
  {
    cause: 'large-patch',
    direction: 'falling',
    opensF: 72,
    bestF: 70,
    closesF: 60,
    source: MEMORY,
  },
  {
    cause: 'spring-dead-spot',
    direction: 'falling',
    opensF: 75,
    bestF: 70,
    closesF: 60,
    source: MEMORY,
  },
  {
    cause: 'take-all-root-rot',
    direction: 'falling',
    opensF: 72,
    bestF: 68,
    closesF: 58,
    source: MEMORY,
  },
  {
    cause: 'snow-mold-gray',
    direction: 'falling',
    opensF: 45,
    bestF: 42,
    closesF: 35,
    source: MEMORY,
  },
  {
    cause: 'snow-mold-pink',
    direction: 'falling',
    opensF: 45,
    bestF: 42,
    closesF: 35,
    source: MEMORY,
  },
  {
    cause: 'brown-patch',
    direction: 'rising',
    opensF: 68,
    bestF: 72,
    closesF: 80,
    showpiece: true,
    source: MEMORY,
  },
  {
    cause: 'dollar-spot',
    direction: 'rising',
    opensF: 60,
    bestF: 64,
    closesF: 74,
    showpiece: true,
    source: MEMORY,
  },
  {
    cause: 'gray-leaf-spot',
    direction: 'rising',
    opensF: 72,
    bestF: 75,
    closesF: 82,
    showpiece: true,
    source: MEMORY,
  },
  {
    cause: 'pythium-blight',
    direction: 'rising',
    opensF: 74,
    bestF: 76,
    closesF: 84,
    showpiece: true,
    source: MEMORY,
  },
  {
    cause: 'red-thread',
    direction: 'rising',
    opensF: 45,
    bestF: 50,
    closesF: 62,
    showpiece: true,
    source: MEMORY,
  },
  {
    cause: 'leaf-spot-melting',
    direction: 'rising',
    opensF: 48,
    bestF: 53,
    closesF: 62,
    showpiece: true,
    source: MEMORY,
  },
];
