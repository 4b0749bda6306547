import { localDate } from '../units';
import {
  samplesOut,
  visitBodySchema,
  withLaboratoryResult,
  type Look,
  type VisitBody,
} from './visit';

const ZONE = '0190a000-0000-7000-8000-000000000001';

const look = (fields: Partial<Look> = {}): Look => ({
  zoneId: ZONE,
  patchId: null,
  answers: {},
  tests: [],
  fieldTests: [],
  leading: [],
  decision: null,
  weeds: [],
  pointCount: undefined,
  ...fields,
});

const visit = (id: string, date: string, ...looks: Look[]): VisitBody & { id: string } => ({
  id,
  lawnId: '0190a000-0000-7000-8000-00000000000b',
  date: localDate(date),
  technician: 'Test Person',
  looks,
  promised: '',
  note: '',
});

const dandelion = { weed: 'dandelion', cover: 0.1, growing: true };
const clover = { weed: 'white-clover', cover: 0.05, growing: true };

describe('a visit that is not good', () => {
  const good = visit('a', '2026-03-01', look({ weeds: [dandelion] }));
  const paths = (body: unknown) =>
    visitBodySchema.safeParse(body).error?.issues.map(({ path }) => path.join('.')) ?? [];

  it('is taken when it is good', () => expect(paths(good)).toEqual([]));

  it.each<[string, object, string]>([
    ['a day that is none', { ...good, date: '2026-02-30' }, 'date'],
    [
      'an unknown weed',
      { looks: [look({ weeds: [{ ...clover, weed: 'plush' }] })] },
      'looks.0.weeds.0.weed',
    ],
    [
      'a cover over the whole',
      { looks: [look({ weeds: [{ ...clover, cover: 1.4 }] })] },
      'looks.0.weeds.0.cover',
    ],
    [
      'an unknown cause',
      {
        looks: [
          look({
            decision: {
              kind: 'cause',
              cause: 'gnomes',
              option: null,
              by: 'look',
              lookAgainOn: null,
            },
          }),
        ],
      },
      'looks.0.decision.cause',
    ],
    [
      'more hits than points',
      { looks: [look({ pointCount: { hits: 9, points: 8 } })] },
      'looks.0.pointCount.hits',
    ],
  ])('points at %s', (_, change, path) => {
    expect(paths({ ...good, ...change })).toEqual([path]);
  });
});

describe('a plant sample', () => {
  const sample = { sentOn: localDate('2026-04-02'), to: 'the clinic' };
  const doubtful = look({
    decision: { kind: 'cannot-tell', lookAgainOn: localDate('2026-04-09'), sample },
  });
  const first = visit('0190a000-0000-7000-8000-0000000000a1', '2026-04-02', look(), doubtful);

  it('is out until its result has come', () => {
    expect(samplesOut([first])).toEqual([{ visit: first, look: 1, ...sample }]);
    expect(samplesOut([withLaboratoryResult(first, 1, 'take-all-root-rot')])).toEqual([]);
  });
  it('turns its look into a finding of the laboratory, and leaves the others', () => {
    const answered = withLaboratoryResult(first, 1, 'take-all-root-rot');
    expect(answered.looks[0]).toEqual(first.looks[0]);
    expect(answered.looks[1]!.decision).toMatchObject({
      kind: 'cause',
      cause: 'take-all-root-rot',
      by: 'laboratory',
    });
  });
  it('needs somewhere it was sent', () => {
    const nowhere = {
      ...doubtful,
      decision: { ...doubtful.decision, sample: { ...sample, to: ' ' } },
    };
    const { id: _id, ...body } = first;
    const issues = visitBodySchema.safeParse({ ...body, looks: [nowhere] }).error?.issues;
    expect(issues?.map(({ path }) => path.join('.'))).toContain('looks.0.decision.sample.to');
  });
});
