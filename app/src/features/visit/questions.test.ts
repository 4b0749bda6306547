import { localDate } from '@alfombra/core';
import { testLawn } from '@/testdata/testLawn';
import { SUBJECTS, subjectsOf, toggledQuestions } from './questions';

const today = localDate('2026-04-08');
let next = 0;
const id = () => `q${(next += 1)}`;
const lawn = testLawn();
const open = {
  ...lawn,
  zones: lawn.zones.map((zone) => ({
    ...zone,
    edges: zone.edges.map((_, index) =>
      index === 1 ? ('assumed' as const) : ('confirmed' as const),
    ),
    site: { ...zone.site, irrigated: null },
  })),
};

it('asks in one tap of every edge and every zone that nobody is sure of', () => {
  expect(subjectsOf('edge', open)).toEqual(
    open.zones.map(({ id: zoneId }) => ({ kind: 'edge', zoneId, edge: 1 })),
  );
  expect(subjectsOf('irrigation', open)).toHaveLength(open.zones.length);
  const seen = open.zones.map((zone) => ({ ...zone, site: { ...zone.site, irrigated: true } }));
  expect(subjectsOf('irrigation', { zones: seen })).toEqual([]);
});

it.each(SUBJECTS)('notes %s and takes it back, and keeps what was answered', (kind) => {
  const subjects = subjectsOf(kind, open);
  const asked = toggledQuestions([], subjects, today, id);
  expect(asked.map(({ subject }) => subject)).toEqual(subjects);
  expect(toggledQuestions(asked, subjects, today, id)).toEqual([]);
  const answered = asked.map((question) => ({
    ...question,
    answer: { value: 'yes', note: '', answeredOn: today },
  }));
  const again = toggledQuestions(answered, subjects, today, id);
  expect(again.filter(({ answer }) => answer)).toEqual(answered);
  expect(again).toHaveLength(2 * subjects.length);
  expect(toggledQuestions(again, subjects, today, id)).toEqual(answered);
});
