import { isLocalDate, type ApplicationRecordBody, type Material } from '@alfombra/core';
import type { RecordDraft } from '@/state/recordStore';
import { typedNumber } from '@/ui';

export type RecordField = Exclude<
  keyof RecordDraft,
  'recordId' | 'amounts' | 'windFrom' | 'sky' | 'note' | 'bloom'
>;

/** The part of a record that the checker judges, as soon as it can be read. */
export interface Judged {
  areaFt2: number;
  date: string;
  materials: Material[];
  airF: number;
  windMph: number;
  targets: string[];
  calibratedMph: number | null;
  paceMph: number | null;
  bloom: boolean | null;
}

export interface RecordRead {
  /** What can be judged while the rest is still being typed; `null` when a part of it is bad. */
  judged: Judged | null;
  /** The record, when nothing is wrong with it; `null` else. */
  body: ApplicationRecordBody | null;
  /** Key of the catalog by field. */
  errors: Partial<Record<RecordField, string>>;
  /** Per material: whether its amount is bad. */
  badAmounts: boolean[];
}

const TIME = /^([01]\d|2[0-3]):[0-5]\d$/;

/** Turns a draft into a record, or says what is wrong at each field. */
export function readRecord(
  draft: RecordDraft,
  fixed: {
    lawnId: string;
    zoneId: string;
    stepId: string | null;
    today: string;
    materials: readonly Material[];
    targets: string[];
    spray: boolean;
  },
): RecordRead {
  const errors: RecordRead['errors'] = {};
  const positive = (field: 'area' | 'carrier') => {
    const value = typedNumber(draft[field]);
    if (value === null || value <= 0) errors[field] = 'record.number';
    return value ?? 0;
  };
  const plain = (field: 'air' | 'wind', low: number) => {
    const value = typedNumber(draft[field]);
    if (value === null || value < low) errors[field] = 'record.required';
    return value ?? 0;
  };
  const areaFt2 = positive('area');
  const carrierGal = fixed.spray ? positive('carrier') : null;
  const airF = plain('air', -40);
  const windMph = plain('wind', 0);
  if (!isLocalDate(draft.date)) errors.date = 'record.badDay';
  else if (draft.date > fixed.today) errors.date = 'record.future';
  for (const field of ['start', 'end'] as const) {
    if (!TIME.test(draft[field])) errors[field] = 'record.time';
  }
  if (!errors.start && !errors.end && draft.end < draft.start) {
    errors.end = 'record.endBeforeStart';
  }
  for (const field of ['applicator', 'licence'] as const) {
    if (draft[field].trim() === '') errors[field] = 'record.required';
  }
  /** A pace is optional, but a typed one is a pace. */
  const mph = (field: 'calibrated' | 'pace') => {
    if (draft[field].trim() === '') return null;
    const value = typedNumber(draft[field]);
    if (value === null || value < 0.3 || value > 12) errors[field] = 'record.badPace';
    return value;
  };
  const calibratedMph = mph('calibrated');
  const paceMph = mph('pace');
  const bloom = draft.bloom === '' ? null : draft.bloom === 'yes';
  const amounts = draft.amounts.map(typedNumber);
  const badAmounts = amounts.map((amount) => amount === null || amount <= 0);
  const materials = fixed.materials.map((material, index) => ({
    ...material,
    amount: amounts[index] ?? 0,
  }));
  const judgeable =
    !errors.area && !errors.air && !errors.wind && !errors.date && !badAmounts.some(Boolean);
  const good = Object.keys(errors).length === 0 && !badAmounts.some(Boolean);
  return {
    errors,
    badAmounts,
    judged: judgeable
      ? {
          areaFt2,
          date: draft.date,
          materials,
          airF,
          windMph,
          targets: fixed.targets,
          calibratedMph,
          paceMph,
          bloom,
        }
      : null,
    body: good
      ? {
          lawnId: fixed.lawnId,
          zoneId: fixed.zoneId,
          stepId: fixed.stepId,
          date: draft.date as ApplicationRecordBody['date'],
          start: draft.start,
          end: draft.end,
          areaFt2,
          materials,
          carrierGal,
          weather: { airF, windMph, windFrom: draft.windFrom, sky: draft.sky },
          applicator: draft.applicator.trim(),
          licence: draft.licence.trim(),
          targets: fixed.targets,
          calibratedMph,
          paceMph,
          bloom,
          note: draft.note,
        }
      : null,
  };
}
