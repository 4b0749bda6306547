import { localDate } from '../units';
import { visitBodySchema, type Look, type VisitBody } from './visit';

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
  it('needs somewhere it was sent', () => {
    const nowhere = look({
      decision: {
        kind: 'cannot-tell',
        lookAgainOn: localDate('2026-04-09'),
        sample: { sentOn: localDate('2026-04-02'), to: ' ' },
      },
    });
    const { id: _id, ...body } = visit('a', '2026-04-02', nowhere);
    const issues = visitBodySchema.safeParse(body).error?.issues;
    expect(issues?.map(({ path }) => path.join('.'))).toContain('looks.0.decision.sample.to');
  });
});
