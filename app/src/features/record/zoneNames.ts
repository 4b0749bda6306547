import type { Lawn } from '@alfombra/core';

/** "Front lawn, Strip": the zones of a job. */
export const namesOfZones = (
  lawn: Pick<Lawn, 'zones'>,
  lines: readonly { zoneId: string }[],
): string =>
  lines.flatMap(({ zoneId }) => lawn.zones.find(({ id }) => id === zoneId)?.name ?? []).join(', ');

/** Figures that differ by less than anybody reads are the same. */
const read = (_key: string, value: unknown): unknown =>
  typeof value === 'number' ? Number(value.toPrecision(6)) : value;

/** What is said of several zones, each word once. */
export const saidOf = <Finding extends object>(
  findings: readonly (readonly Finding[])[],
): Finding[] => [
  ...new Map(findings.flat().map((finding) => [JSON.stringify(finding, read), finding])).values(),
];
