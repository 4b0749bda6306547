import {
  doubtsOf,
  judgedDraft,
  recordDraft,
  recordFormSchema,
  recordsOf,
  type RecordDraft,
} from './recordDraft';
import type { Job } from './job';

const MEMBER = '0190a000-0000-7000-8000-00000000000e';
const PLANNED_OZ = 0.046_6;
/** A job over zones of so many square feet, each with its part of the product. */
const jobOver = (areas: readonly number[], spray = true): Job => {
  const areaFt2 = areas.reduce((sum, area) => sum + area, 0);
  const material = (amount: number) => ({
    kind: 'herbicide' as const,
    slug: 'threeway-amine',
    amount,
    unit: 'fl-oz' as const,
  });
  return {
    key: 's',
    lines: areas.map((area, index) => ({
      stepId: `s${index}`,
      zoneId: `z${index}`,
      areaFt2: area,
      materials: [material((PLANNED_OZ * area) / areaFt2)],
      // Each zone has weeds of its own beside the one that they share.
      targets: index === 0 ? ['dandelion'] : ['dandelion', 'white-clover'],
    })),
    areaFt2,
    materials: [material(PLANNED_OZ)],
    spray,
    carrierGal: spray ? 3 : null,
  };
};
const source = (spray = true) => ({
  recordId: 'r',
  lawnId: 'l',
  today: '2026-04-08',
  applicatorId: MEMBER,
  members: [{ id: MEMBER, name: 'Somebody', licence: 'T-1' }],
  airF: 72,
  windMph: 5,
  windFrom: 'SW' as const,
  start: '',
  end: '',
  bloom: null,
  job: jobOver([3000.4], spray),
  momentOn: () => ({ airHighF: 82, soilF: 64 }),
});
type Typed = Partial<Record<keyof RecordDraft, string | string[]>>;
const draft = (fields: Typed = {}, spray = true) =>
  ({
    ...recordDraft(source(spray)),
    start: '09:00',
    end: '09:30',
    ...fields,
  }) as RecordDraft;
const read = (fields: Typed = {}, spray = true) => {
  const given = source(spray);
  const parsed = recordFormSchema(given).safeParse(draft(fields, spray));
  return {
    body: parsed.success ? recordsOf(parsed.data, given, 'b')[0]! : null,
    errors: Object.fromEntries(
      (parsed.error?.issues ?? []).map(({ path, message }) => [path.join('.'), message]),
    ),
  };
};

it('makes a record of a good draft, with a comma between the thousands', () => {
  const { body, errors } = read({ area: '3,000', amounts: ['4.5'] });
  expect(errors).toEqual({});
  expect(body).toMatchObject({ areaFt2: 3000, carrierGal: 3, targets: ['dandelion'] });
  expect(body?.materials[0]?.amount).toBe(4.5);
});

it('is judged by the day and the licenses of when it is saved, not of when it was begun', () => {
  const begun = source();
  const typed = { ...draft(), date: '2026-04-09' };
  const faults = (given: typeof begun) =>
    recordFormSchema(given)
      .safeParse(typed)
      .error?.issues.map(({ message }) => message);
  expect(faults(begun)).toEqual(['record.future']);
  expect(faults({ ...begun, today: '2026-04-09' })).toBeUndefined();
  const [member] = begun.members;
  const unlicensed = { ...begun, today: '2026-04-09', members: [{ ...member!, licence: '' }] };
  expect(faults(unlicensed)).toEqual(['record.unlicensed']);
});

it('records exactly what was planned where nothing was changed, though the field rounds it', () => {
  expect(draft().amounts).toEqual(['0.047']);
  const { body } = read();
  expect(body?.materials[0]?.amount).toBe(PLANNED_OZ);
  expect(body?.areaFt2).toBe(3000.4);
  expect(read({ amounts: ['0.048'] }).body?.materials[0]?.amount).toBe(0.048);
});

it.each([
  [{ area: '0' }, 'area', 'record.number'],
  [{ area: 'much' }, 'area', 'record.number'],
  [{ amounts: ['0'] }, 'amounts.0', 'record.number'],
  [{ carrier: '' }, 'carrier', 'record.number'],
  [{ date: '2026-04-09' }, 'date', 'record.future'],
  [{ date: '' }, 'date', 'record.badDay'],
  [{ start: '' }, 'start', 'record.time'],
  [{ end: '08:00' }, 'end', 'record.endBeforeStart'],
  [{ air: '' }, 'air', 'record.required'],
  [{ wind: '-1' }, 'wind', 'record.required'],
  [{ who: 'who left the company' }, 'who', 'record.unlicensed'],
  [{ pace: '40' }, 'pace', 'record.badPace'],
  [{ windFrom: '' }, 'windFrom', 'record.windFromNeeded'],
  [{ windFrom: 'unknown' }, 'windFrom', 'record.windFromNeeded'],
] as const)('%p is pointed at', (fields, field, key) => {
  const { body, errors } = read(fields as Typed);
  expect(body).toBeNull();
  expect(errors).toEqual({ [field]: key });
});

it('lets the checker speak before the times are in, and not on a bad amount', () => {
  const judged = (fields: Typed) => judgedDraft(draft(fields), source());
  expect(judged({ amounts: ['0'] })).toEqual([]);
  expect(judged({ start: '', end: '' })[0]!.judged).toMatchObject({
    areaFt2: 3000.4,
    weather: { airF: 72 },
    moment: { airHighF: 82, soilF: 64 },
  });
});

it('keeps no total killer until somebody says once more that it is meant', () => {
  const given = {
    ...source(),
    job: {
      ...source().job,
      materials: [
        { kind: 'herbicide' as const, slug: 'glyphosate', amount: 4, unit: 'fl-oz' as const },
      ],
    },
  };
  const read = (kill: '' | 'yes') =>
    recordFormSchema(given).safeParse({ ...draft(), amounts: ['4'], kill });
  expect(read('').error?.issues).toMatchObject([{ path: ['kill'], message: 'record.killUnsure' }]);
  const meant = read('yes');
  expect(meant.success && recordsOf(meant.data, given, 'b')).toMatchObject([{ kill: true }]);
});

it('asks no water of a spreader', () => {
  expect(read({ carrier: '' }, false).body?.carrierGal).toBeNull();
});

it('reads a pace and flowers where somebody looked', () => {
  expect(read().body).toMatchObject({ calibratedMph: null, paceMph: null, bloom: null });
  expect(read({ calibrated: '3', pace: '2.4', bloom: 'yes' }).body).toMatchObject({
    calibratedMph: 3,
    paceMph: 2.4,
    bloom: true,
  });
});

it('writes one piece of work down a zone at a time, each with its part of what was used', () => {
  const given = { ...source(), job: jobOver([1000, 3000]) };
  const read = (fields: Typed) => {
    const parsed = recordFormSchema(given).safeParse({
      ...recordDraft(given),
      start: '09:00',
      end: '09:30',
      ...fields,
    });
    return parsed.success ? recordsOf(parsed.data, given, 'b') : [];
  };
  const planned = read({});
  expect(planned.map(({ zoneId, stepId, batchId }) => [zoneId, stepId, batchId])).toEqual([
    ['z0', 's0', 'b'],
    ['z1', 's1', 'b'],
  ]);
  expect(planned.map(({ targets }) => targets)).toEqual([
    ['dandelion'],
    ['dandelion', 'white-clover'],
  ]);
  expect(planned.map(({ areaFt2 }) => areaFt2)).toEqual([1000, 3000]);
  expect(planned.map(({ materials }) => materials[0]!.amount)).toEqual([
    PLANNED_OZ / 4,
    (PLANNED_OZ * 3) / 4,
  ]);
  expect(planned.map(({ carrierGal }) => carrierGal)).toEqual([0.75, 2.25]);
  // Half the ground with half the product: both zones were left half done.
  const half = read({ area: '2000', amounts: ['0.02'] });
  expect(half.map(({ areaFt2 }) => areaFt2)).toEqual([500, 1500]);
  expect(half[1]!.materials[0]!.amount).toBeCloseTo(0.015, 9);
  // A job of one zone is no batch.
  expect(recordsOf(recordFormSchema(source()).parse(draft()), source(), 'b')).toMatchObject([
    { batchId: null },
  ]);
});

it('takes over what was seen at the kerb, and fills in nothing that nobody looked at', () => {
  const unseen = { ...source(), windFrom: '' as const };
  expect(recordDraft(unseen).windFrom).toBe('');
  expect(recordDraft({ ...unseen, job: jobOver([1000], false) }).windFrom).toBe('unknown');
  const seen = { ...source(), start: '09:05', end: '09:20', bloom: false };
  expect(recordDraft(seen)).toMatchObject({
    windFrom: 'SW',
    start: '09:05',
    end: '09:20',
    bloom: 'no',
  });
});

it('asks how much of its work it did where something speaks against all of it, at each line', () => {
  const given = { ...source(), job: jobOver([1000, 3000]) };
  const doubts = (fields: Typed, rainIn: number | null = null, job = given.job) =>
    doubtsOf(judgedDraft({ ...recordDraft(given), ...fields } as RecordDraft, given), job, rainIn);
  expect(doubts({})).toEqual([]);
  expect(doubts({}, 0.2)).toEqual(['rain']);
  // A spreader's granules are washed in, not off.
  expect(doubts({}, 0.2, { ...given.job, spray: false })).toEqual([]);
  const thin = (share: number) => ({ amounts: [String(PLANNED_OZ * share)] });
  expect(doubts(thin(0.86))).toEqual([]);
  expect(doubts(thin(0.84))).toEqual(['thin']);
  const left = (share: number) => ({ area: String(4000 * share), ...thin(share) });
  expect(doubts(left(0.91))).toEqual([]);
  expect(doubts(left(0.89))).toEqual(['stopped']);
  expect(doubts({ amounts: ['much'] })).toEqual([]);
  const kept = (effect: string) => {
    const parsed = recordFormSchema(given).parse({
      ...recordDraft(given),
      start: '09:00',
      end: '09:30',
      effect,
    });
    return recordsOf(parsed, given, 'b').map((record) => record.effect);
  };
  expect(kept('')).toEqual([undefined, undefined]);
  expect(kept('all')).toEqual([undefined, undefined]);
  expect(kept('half')).toEqual([0.5, 0.5]);
  expect(kept('little')).toEqual([0.1, 0.1]);
});
