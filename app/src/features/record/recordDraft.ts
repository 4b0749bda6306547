import {
  isLocalDate,
  localDate,
  type ApplicationRecordBody,
  type Company,
  type LocalDate,
  type Moment,
  WASHED_OFF,
} from '@alfombra/core';
import type { JudgedRecord } from '@alfombra/core/judging';
import { z } from 'zod';
import { figure, figureOrNone, numberText, type NumberText } from '@/ui';
import { killsTurf, type Job, type JobLine } from './job';

export const WINDS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'calm'] as const;
/** Of work that no wind carries off, nobody need know. */
export const UNKNOWN_WIND = 'unknown';
export type Wind = (typeof WINDS)[number] | typeof UNKNOWN_WIND;
export const SKIES = ['clear', 'part-cloudy', 'overcast', 'rain'] as const;
export const AMOUNT_DIGITS = 3;
const CARRIER_DIGITS = 2;
/** How much of its work a job did, in words. */
export const EFFECTS = ['all', 'half', 'little'] as const;
const EFFECT_OF: Record<(typeof EFFECTS)[number] | '', number | undefined> = {
  '': undefined,
  all: undefined,
  half: 0.5,
  little: WASHED_OFF,
};
/** Under these shares of the planned ground, and of the planned rate, it is worth asking. */
const STOPPED_BELOW = 0.9;
const THIN_BELOW = 0.85;
const TIME = /^([01]\d|2[0-3]):[0-5]\d$/;
/** A pace is optional, but a typed one is a pace, mph. */
const PACE = { from: 0.3, to: 12 } as const;

/** What a record is begun with. */
export interface RecordSource {
  /** Id of the record it will become. */
  recordId: string;
  job: Job;
  lawnId: string;
  today: string;
  /** Who is at it, of the company's people. */
  applicatorId: string;
  airF: number;
  windMph: number;
  /** Empty where nobody looked. */
  windFrom: Wind | '';
  /** Clock times from which to which it was done, as far as they are known. */
  start: string;
  end: string;
  /** Flowers were seen open, or not; `null`: nobody looked. */
  bloom: boolean | null;
}

/**
 * A figure that was filled in from the plan: as long as it stands as it was, it is the planned one in
 * full, not as it was rounded for the field.
 */
const planned = (value: number | null, digits: number, fault: string) => {
  const text = numberText(value, digits);
  return z.custom<NumberText>().transform((typed, context): number => {
    if (value !== null && value > 0 && typed === text) return value;
    const read = figure(fault, { above: 0 }).safeParse(typed);
    if (read.success) return read.data;
    context.addIssue({ code: 'custom', message: fault });
    return z.NEVER;
  });
};

/** What a record is judged by, of the day on which it is saved. */
export type RecordGiven = Pick<RecordSource, 'job' | 'today' | 'lawnId'> &
  Pick<Company, 'members'> & {
    /** What weather and soil of a zone were like on a day. */
    momentOn: (date: LocalDate, zoneId: string) => Moment;
  };

const fieldsOf = ({ job, today }: Pick<RecordSource, 'job' | 'today'>) => ({
  area: planned(job.areaFt2, 0, 'record.number'),
  amounts: z
    .custom<NumberText[]>()
    .pipe(
      z.tuple(
        job.materials.map(({ amount }) => planned(amount, AMOUNT_DIGITS, 'record.number')) as [
          ReturnType<typeof planned>,
        ],
      ),
    ),
  carrier: job.spray
    ? planned(job.carrierGal, CARRIER_DIGITS, 'record.number')
    : z.custom<NumberText>().transform(() => null),
  date: z
    .string()
    .refine(isLocalDate, { error: 'record.badDay', abort: true })
    .refine((date) => date <= today, 'record.future'),
  start: z.string().regex(TIME, 'record.time'),
  end: z.string().regex(TIME, 'record.time'),
  air: figure('record.required', { from: -40 }),
  wind: figure('record.required', { from: 0 }),
  windFrom: z
    .custom<Wind | ''>()
    .refine((from) => from !== '' && (!job.spray || from !== UNKNOWN_WIND), 'record.windFromNeeded')
    .transform((from) => from as Wind),
  sky: z.enum(SKIES),
  /** A member's id, or what kind of stranger. */
  who: z.string(),
  stranger: z.string().max(120),
  note: z.string(),
  calibrated: figureOrNone('record.badPace', PACE),
  pace: figureOrNone('record.badPace', PACE),
  /** Flowers open; empty: not looked at. */
  bloom: z.enum(['yes', 'no', '']).transform((bloom) => (bloom === '' ? null : bloom === 'yes')),
  /** Meant to kill all that grows there; asked where a product of the job does. */
  kill: z.enum(['yes', '']).transform((kill) => kill === 'yes'),
  /** Share of its work that it did; asked where something speaks against all of it. */
  effect: z.enum([...EFFECTS, '']).transform((effect) => EFFECT_OF[effect]),
});
type Fields = ReturnType<typeof fieldsOf>;
export type RecordDraft = z.input<z.ZodObject<Fields>>;
type RecordRead = z.output<z.ZodObject<Fields>>;

const licensed = (who: string, { members }: Pick<Company, 'members'>): boolean =>
  members.some(({ id, licence }) => id === who && licence.trim() !== '');

/** The form of one record; a fault is a key of the catalogs. */
export const recordFormSchema = (source: Pick<RecordGiven, 'job' | 'today' | 'members'>) =>
  z
    .object(fieldsOf(source))
    .refine(({ who }) => STRANGERS.some((one) => one === who) || licensed(who, source), {
      path: ['who'],
      error: 'record.unlicensed',
    })
    .refine(({ kill }) => kill || !killsTurf(source.job), {
      path: ['kill'],
      error: 'record.killUnsure',
    })
    .refine(({ start, end }) => end >= start, {
      path: ['end'],
      error: 'record.endBeforeStart',
    });

export const recordDraft = ({
  job,
  today,
  applicatorId,
  airF,
  windMph,
  windFrom,
  start,
  end,
  bloom,
}: RecordSource): RecordDraft => ({
  area: numberText(job.areaFt2, 0),
  amounts: job.materials.map(({ amount }) => numberText(amount, AMOUNT_DIGITS)),
  carrier: numberText(job.carrierGal, CARRIER_DIGITS),
  date: today,
  start,
  end,
  air: numberText(airF, 0),
  wind: numberText(windMph, 0),
  // What nobody looked at is not filled in.
  windFrom: windFrom || (job.spray ? '' : UNKNOWN_WIND),
  sky: 'part-cloudy',
  who: applicatorId,
  stranger: '',
  note: '',
  calibrated: '',
  pace: '',
  bloom: bloom === null ? '' : bloom ? 'yes' : 'no',
  kill: '',
  effect: '',
});

/** The part of a record that the checker judges, as soon as it can be read. */
export type Judged = Omit<JudgedRecord, 'id' | 'zoneId'>;

/** Part of a figure of all zones that falls to one, as its plan does. */
const shareOf = (figure: number, planned: number, part: number): number =>
  figure === planned ? part : (figure * part) / planned;

const judgedOf = (
  line: JobLine,
  read: Pick<
    RecordRead,
    'area' | 'amounts' | 'date' | 'air' | 'wind' | 'calibrated' | 'pace' | 'bloom' | 'kill'
  >,
  { job: { areaFt2, materials }, momentOn }: Pick<RecordGiven, 'job' | 'momentOn'>,
): Judged => ({
  areaFt2: shareOf(read.area, areaFt2, line.areaFt2),
  date: localDate(read.date),
  materials: line.materials.map((material, index) => ({
    ...material,
    amount: shareOf(read.amounts[index]!, materials[index]!.amount, material.amount),
  })),
  weather: { airF: read.air, windMph: read.wind },
  targets: line.targets,
  calibratedMph: read.calibrated,
  paceMph: read.pace,
  bloom: read.bloom,
  kill: read.kill,
  moment: momentOn(localDate(read.date), line.zoneId),
});

/** What can be judged of each zone while the rest is still being typed; nothing when a part of it is bad. */
export function judgedDraft(
  draft: RecordDraft,
  source: Pick<RecordGiven, 'job' | 'today' | 'momentOn'>,
): { line: JobLine; judged: Judged }[] {
  const { area, amounts, date, air, wind, calibrated, pace, bloom, kill } = fieldsOf(source);
  const read = z
    .object({ area, amounts, date, air, wind, calibrated, pace, bloom, kill })
    .safeParse(draft);
  return read.success
    ? source.job.lines.map((line) => ({ line, judged: judgedOf(line, read.data, source) }))
    : [];
}

/** What speaks against a job having done all of its work. */
export type Doubt = 'rain' | 'stopped' | 'thin';

/**
 * Why it is worth asking how much of its work a job did: rain came, ground was left, or less was put on it than planned.
 * @param rainIn rain that a spray had on its day and the next, in; `null`: hardly any
 */
export function doubtsOf(
  judged: readonly { judged: Judged }[],
  { areaFt2, materials, spray }: Job,
  rainIn: number | null,
): Doubt[] {
  if (judged.length === 0) return [];
  const ground = judged.reduce((sum, { judged: one }) => sum + one.areaFt2, 0) / areaFt2;
  const thin = materials.some(({ amount }, index) => {
    const used = judged.reduce((sum, { judged: one }) => sum + one.materials[index]!.amount, 0);
    return used / amount / ground < THIN_BELOW;
  });
  return [
    ...(spray && rainIn !== null ? ['rain' as const] : []),
    ...(ground < STOPPED_BELOW ? ['stopped' as const] : []),
    ...(thin ? ['thin' as const] : []),
  ];
}

/** Strangers whose work is noted here, too. */
export const STRANGERS = ['customer', 'other-firm', 'unknown'] as const;

/** Whose hands it was; a member is written with their license. */
function applicatorOf(
  { who, stranger }: Pick<RecordRead, 'who' | 'stranger'>,
  members: Company['members'],
): Pick<ApplicationRecordBody, 'applicatorKind' | 'applicatorId' | 'applicator' | 'licence'> {
  const kind = STRANGERS.find((one) => one === who);
  if (kind) {
    return { applicatorKind: kind, applicatorId: null, applicator: stranger.trim(), licence: '' };
  }
  const member = members.find(({ id }) => id === who);
  return {
    applicatorKind: 'member',
    applicatorId: member?.id ?? null,
    applicator: member?.name ?? '',
    licence: member?.licence ?? '',
  };
}

/**
 * The records that a form without faults becomes, one a zone.
 * @param batchId what those of one piece of work share
 */
export function recordsOf(
  read: RecordRead,
  { job, lawnId, members, momentOn }: Omit<RecordGiven, 'today'>,
  batchId: string,
): ApplicationRecordBody[] {
  return job.lines.map((line) => {
    const judged = judgedOf(line, read, { job, momentOn });
    return {
      ...judged,
      lawnId,
      zoneId: line.zoneId,
      stepId: line.stepId,
      batchId: job.lines.length > 1 ? batchId : null,
      start: read.start,
      end: read.end,
      carrierGal: read.carrier === null ? null : shareOf(read.carrier, job.areaFt2, line.areaFt2),
      weather: { ...judged.weather, windFrom: read.windFrom, sky: read.sky },
      ...applicatorOf(read, members),
      enteredBy: null,
      ...(read.effect === undefined ? {} : { effect: read.effect }),
      note: read.note,
    };
  });
}
