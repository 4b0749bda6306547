import {
  addDays,
  laboratoryDays,
  seededRandom,
  type LocalDate,
  type SoilReport,
  type SoilSampleBody,
} from '@alfombra/core';

/** What the app needs of a soil laboratory; a real one would sit behind the same interface. */
export interface SoilLaboratory {
  name: string;
  standIn: boolean;
  /** The report on a bag, once it is ready; `null` before. */
  reportOn(sample: SoilSampleBody, today: LocalDate): SoilReport | null;
}

/** A bag with its report where it is in: typed in by somebody, or sent by the laboratory. */
export const withReport = <Sample extends SoilSampleBody>(
  laboratory: SoilLaboratory,
  sample: Sample,
  today: LocalDate,
): Sample => ({ ...sample, report: sample.report ?? laboratory.reportOn(sample, today) });

/** Bags of which the made-up laboratory loses the report, one in so many. */
const LOST_ONE_IN = 9;

/** Made-up laboratory: the same bag always gives the same figures. */
export const standInLaboratory: SoilLaboratory = {
  name: 'Soil laboratory (made-up results)',
  standIn: true,
  reportOn(sample, today) {
    if (!sample.sentOn || sample.laboratory !== 'stand-in') return null;
    const random = seededRandom(hash(`${sample.bagId}|${sample.zoneId}`));
    const reportedOn = addDays(sample.sentOn, laboratoryDays.usual - 2 + Math.floor(random() * 5));
    if (Math.floor(random() * LOST_ONE_IN) === 0 || reportedOn > today) return null;
    const between = (low: number, high: number, digits = 0) =>
      Number((low + random() * (high - low)).toFixed(digits));
    const poor = sample.from === 'poor' ? 0.6 : 1;
    return {
      reportedOn,
      ph: between(5.1, 7.4, 1),
      bufferPh: between(6.1, 6.9, 1),
      bufferMethod: 'smp',
      extractant: 'mehlich-3',
      phosphorusPpm: Math.round(between(9, 70) * poor),
      potassiumPpm: Math.round(between(35, 150) * poor),
      magnesiumPpm: between(45, 220),
      calciumPpm: between(350, 1800),
      sulfurPpm: between(5, 24),
      organicMatterPct: between(1.2, 5.2, 1),
      salinityDsM: between(0.2, 1.4, 2),
    };
  },
};

/** FNV-1a, 32 bits: a seed out of a text. */
function hash(text: string): number {
  let value = 0x811c9dc5;
  for (let index = 0; index < text.length; index += 1) {
    value = Math.imul(value ^ text.charCodeAt(index), 0x01000193);
  }
  return value >>> 0;
}
