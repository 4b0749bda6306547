import { judgeSpots, soilReportSchema, type SoilReport } from '@alfombra/core';
import { z } from 'zod';
import { figure, figureOrNone, filledIn, numberText, typedNumber, type NumberText } from '@/ui';

/** Spots that one field each is offered for, and the most that a reading holds. */
export const SPOTS = 5;
export const MOST_SPOTS = 12;

/** Spots by field: a number where there is one; empty fields are no spots. */
const spots = (fault: string, none: string, limits: { from: number; to: number }) =>
  z
    .array(figureOrNone(fault, limits))
    .refine((values) => values.some((value) => value !== null), { path: [0], error: none });

const TEMPERATURE = { from: -10, to: 130 } as const;
const PH = { from: 2, to: 12 } as const;

export const temperatureFormSchema = z.object({
  depth: z.enum(['2', '4']),
  hour: figure('readings.badHour', { from: 0, to: 24 }),
  spots: spots('readings.badSpots', 'readings.needsSpot', TEMPERATURE),
  /** Fields whose odd value somebody said is right. */
  trusted: z.array(z.number()),
});
export type TemperatureDraft = z.input<typeof temperatureFormSchema>;

export const phFormSchema = z.object({
  spots: spots('readings.badPh', 'readings.needsSpot', PH),
  kit: z.string().trim().max(60, 'property.tooLong'),
  water: z.enum(['distilled', 'rain', 'tap', 'unknown']),
});
export type PhDraft = z.input<typeof phFormSchema>;

export const emptySpots = (): NumberText[] => Array.from({ length: SPOTS }, () => '' as const);

/** The spots as far as they can be read, which of them are odd, and which of those stay in. */
export function readSpots({
  spots: typed,
  trusted,
}: {
  spots: readonly NumberText[];
  trusted: readonly number[];
}): { field: number; valueF: number; odd: boolean; counts: boolean }[] {
  const values = typed.flatMap((text, field) => {
    const value = typedNumber(text);
    return value !== null && value >= TEMPERATURE.from && value <= TEMPERATURE.to
      ? [{ field, value }]
      : [];
  });
  const judged = judgeSpots(values.map(({ value }) => value));
  return values.map(({ field, value }, index) => {
    const odd = judged[index]!.outlier;
    return { field, valueF: value, odd, counts: !odd || trusted.includes(field) };
  });
}

/** The report of a laboratory as it is typed from its paper; `today` is the last day it can have. */
export const reportFormSchema = (today: string) =>
  z.object({
    reportedOn: z
      .string()
      .min(1, 'readings.badDay')
      .refine((day) => day <= today, 'readings.badDay'),
    ph: figure('readings.badPh', PH),
    bufferPh: figureOrNone('readings.badPh', PH),
    bufferMethod: z.enum(['', ...soilReportSchema.shape.bufferMethod.unwrap().options]),
    extractant: soilReportSchema.shape.extractant,
    phosphorusPpm: figureOrNone('readings.badLevel', { from: 0 }),
    potassiumPpm: figureOrNone('readings.badLevel', { from: 0 }),
    magnesiumPpm: figureOrNone('readings.badLevel', { from: 0 }),
    calciumPpm: figureOrNone('readings.badLevel', { from: 0 }),
    sulfurPpm: figureOrNone('readings.badLevel', { from: 0 }),
    organicMatterPct: figureOrNone('readings.badShare', { from: 0, to: 100 }),
    salinityDsM: figureOrNone('readings.badLevel', { from: 0 }),
  });
type ReportForm = ReturnType<typeof reportFormSchema>;
export type ReportDraft = z.input<ReportForm>;

export const emptyReport = (): ReportDraft => ({
  reportedOn: '',
  ph: '',
  bufferPh: '',
  bufferMethod: '',
  extractant: 'mehlich-3',
  phosphorusPpm: '',
  potassiumPpm: '',
  magnesiumPpm: '',
  calciumPpm: '',
  sulfurPpm: '',
  organicMatterPct: '',
  salinityDsM: '',
});

export const reportOf = (read: z.output<ReportForm>): SoilReport => ({
  ...read,
  reportedOn: read.reportedOn as SoilReport['reportedOn'],
  bufferMethod: read.bufferMethod === '' ? null : read.bufferMethod,
});

export const bagFormSchema = z.object({
  bagId: filledIn('readings.needsBag').max(40, 'property.tooLong'),
  cores: figure('readings.badCores', { from: 1, to: 60, whole: true }),
  from: z.enum(['whole-zone', 'best', 'poor']),
});
export const emptyBag = (): z.input<typeof bagFormSchema> => ({
  bagId: '',
  cores: numberText(12),
  from: 'whole-zone',
});
