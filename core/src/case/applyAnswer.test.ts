import { localDate } from '../units';
import { applyAnswers } from './applyAnswer';
import { lawnBodySchema } from '../contract/lawn';
import type { QuestionSubject } from '../contract/question';
import { answerChoices } from './answerChoices';

const ZONE = '0190a000-0000-7000-8000-000000000001';
const id = (n: number) => `0190a000-0000-7000-8000-0000000000a${n}`;
const TODAY = localDate('2026-04-08');
const SUBJECTS: QuestionSubject[] = [
  { kind: 'edge', zoneId: ZONE, edge: 1 },
  { kind: 'irrigation', zoneId: ZONE },
  { kind: 'dog' },
  { kind: 'mows' },
  { kind: 'other', text: 'Which gate?' },
];
const lawn = lawnBodySchema.parse({
  name: '1 Test Street',
  customer: 'Nobody',
  region: 'north',
  stationId: 'ridge',
  upkeep: 'standard',
  zones: [
    {
      id: ZONE,
      name: 'Back',
      outline: [
        { x: 0, y: 0 },
        { x: 9, y: 0 },
        { x: 9, y: 9 },
      ],
      edges: ['confirmed', 'assumed', 'assumed'],
      stand: [],
      desired: ['tall-fescue'],
      site: {},
    },
  ],
  questions: SUBJECTS.map((subject, n) => ({ id: id(n), subject, askedOn: TODAY })),
});
const answer = (n: number, value: string) => ({
  questionId: id(n),
  answer: { value, note: '', answeredOn: TODAY },
});

describe('the customer’s answers', () => {
  it('turn assumptions into facts and say what changed', () => {
    const { lawn: after, changes } = applyAnswers(lawn, [
      answer(0, 'yes'),
      answer(1, 'no'),
      answer(2, 'yes'),
      answer(3, 'service'),
      answer(4, 'The left one'),
    ]);
    expect(after.zones[0]).toMatchObject({
      edges: ['confirmed', 'confirmed', 'assumed'],
      site: { irrigated: false, dog: true },
    });
    expect(after.property).toMatchObject({ pets: true, mows: 'service' });
    expect(after.questions.every((question) => question.answer !== null)).toBe(true);
    expect(changes.map(({ fact, before, after: now }) => [fact, before, now])).toEqual([
      ['edge', 'assumed', 'confirmed'],
      ['irrigation', 'unknown', 'no'],
      ['pets', 'unknown', 'true'],
      ['mows', 'unknown', 'service'],
    ]);
  });
  it('leave an edge assumed that the customer does not know', () => {
    const { lawn: after, changes } = applyAnswers(lawn, [answer(0, 'no')]);
    expect(after.zones[0]!.edges[1]).toBe('assumed');
    expect(changes).toEqual([]);
  });
  it('count once', () => {
    const once = applyAnswers(lawn, [answer(3, 'owner')]).lawn;
    const twice = applyAnswers(once, [answer(3, 'us')]);
    expect(twice.lawn.property.mows).toBe('owner');
    expect(twice.changes).toEqual([]);
  });
  it('have choices, save for free text', () => {
    expect(SUBJECTS.map((subject) => answerChoices(subject).length)).toEqual([2, 2, 2, 3, 0]);
  });
});
