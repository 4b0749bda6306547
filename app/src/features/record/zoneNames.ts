import { saidOnce, type Lawn } from '@alfombra/core';

/** "Front lawn, Strip": the zones of a job. */
export const namesOfZones = (
  lawn: Pick<Lawn, 'zones'>,
  lines: readonly { zoneId: string }[],
): string =>
  lines.flatMap(({ zoneId }) => lawn.zones.find(({ id }) => id === zoneId)?.name ?? []).join(', ');

/** What is said of several zones, each word once. */
export const saidOf = <Finding extends object>(
  findings: readonly (readonly Finding[])[],
): Finding[] => saidOnce(findings.flat());
