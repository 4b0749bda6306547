import type { ReadingBody } from '../contract/reading';
import type { ProbeReading } from '../weather';

/** The soil temperatures among the readings, without what was taken back. */
export const temperaturesOf = <Of extends ReadingBody>(
  readings: readonly Of[],
): Exclude<Of, { kind: 'ph' }>[] =>
  readings.filter(
    (reading): reading is Exclude<Of, { kind: 'ph' }> =>
      reading.kind !== 'ph' && !reading.takenBack,
  );

/** The pH readings, without what was taken back. */
export const phReadingsOf = <Of extends ReadingBody>(
  readings: readonly Of[],
): Extract<Of, { kind: 'ph' }>[] =>
  readings.filter(
    (reading): reading is Extract<Of, { kind: 'ph' }> =>
      reading.kind === 'ph' && !reading.takenBack,
  );

/** What the season reads of them. */
export const probeReadingsOf = (
  readings: readonly (ReadingBody & { id: string })[],
): ProbeReading[] => temperaturesOf(readings);
