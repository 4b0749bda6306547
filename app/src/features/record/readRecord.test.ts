import type { RecordDraft } from '@/state/recordStore';
import { readRecord } from './readRecord';

type Typed = Partial<Record<keyof RecordDraft, string | string[]>>;
const draft = (fields: Typed = {}) =>
  ({
    recordId: 'r',
    area: '3000',
    amounts: ['4.4'],
    carrier: '3',
    date: '2026-04-08',
    start: '09:00',
    end: '09:30',
    air: '72',
    wind: '5',
    windFrom: 'W',
    sky: 'clear',
    applicator: 'Somebody',
    licence: 'T-1',
    note: '',
    calibrated: '',
    pace: '',
    bloom: '',
    ...fields,
  }) as RecordDraft;
const read = (fields: Typed = {}, spray = true) =>
  readRecord(draft(fields), {
    lawnId: 'l',
    zoneId: 'z',
    stepId: 's',
    today: '2026-04-08',
    materials: [{ kind: 'herbicide', slug: 'threeway-amine', amount: 4.4, unit: 'fl-oz' }],
    targets: ['dandelion'],
    spray,
  });

it('makes a record of a good draft, with a comma between the thousands', () => {
  const { body, errors } = read({ area: '3,000', amounts: ['4.5'] });
  expect(errors).toEqual({});
  expect(body).toMatchObject({ areaFt2: 3000, carrierGal: 3, targets: ['dandelion'] });
  expect(body?.materials[0]?.amount).toBe(4.5);
});

it.each([
  [{ area: '0' }, 'area', 'record.number'],
  [{ area: 'much' }, 'area', 'record.number'],
  [{ carrier: '' }, 'carrier', 'record.number'],
  [{ date: '2026-04-09' }, 'date', 'record.future'],
  [{ date: '' }, 'date', 'record.badDay'],
  [{ start: '' }, 'start', 'record.time'],
  [{ end: '08:00' }, 'end', 'record.endBeforeStart'],
  [{ air: '' }, 'air', 'record.required'],
  [{ wind: '-1' }, 'wind', 'record.required'],
  [{ licence: ' ' }, 'licence', 'record.required'],
] as const)('%p is pointed at', (fields, field, key) => {
  const { body, errors } = read(fields);
  expect(body).toBeNull();
  expect(errors[field]).toBe(key);
});

it('points at the amount, and lets the checker speak before the times are in', () => {
  expect(read({ amounts: ['0'] }).badAmounts).toEqual([true]);
  expect(read({ amounts: ['0'] }).judged).toBeNull();
  expect(read({ start: '', end: '' }).judged).toMatchObject({ areaFt2: 3000, airF: 72 });
});

it('asks no water of a spreader', () => {
  expect(read({ carrier: '' }, false).body?.carrierGal).toBeNull();
});

it('reads a pace and flowers where somebody looked, and refuses a pace that is none', () => {
  expect(read().body).toMatchObject({ calibratedMph: null, paceMph: null, bloom: null });
  expect(read({ calibrated: '3', pace: '2.4', bloom: 'yes' }).body).toMatchObject({
    calibratedMph: 3,
    paceMph: 2.4,
    bloom: true,
  });
  expect(read({ pace: '40' }).errors.pace).toBe('record.badPace');
});
