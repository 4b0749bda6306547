import type { Lawn, Question, QuestionSubject, Visit } from '@alfombra/core';

/** What can be asked by a tap. */
export const SUBJECTS = ['edge', 'irrigation', 'dog', 'children', 'mows', 'waters'] as const;

/** The questions that one tap notes: of every assumed edge, of every zone where nobody saw sprinklers. */
export function subjectsOf(
  kind: (typeof SUBJECTS)[number],
  { zones }: Pick<Lawn, 'zones'>,
): QuestionSubject[] {
  if (kind === 'edge') {
    return zones.flatMap(({ id, edges }) =>
      edges.flatMap((state, edge) =>
        state === 'assumed' ? [{ kind: 'edge' as const, zoneId: id, edge }] : [],
      ),
    );
  }
  if (kind === 'irrigation') {
    return zones
      .filter(({ site }) => site.irrigated === null)
      .map(({ id }) => ({ kind: 'irrigation' as const, zoneId: id }));
  }
  return [{ kind }];
}

const same = (a: QuestionSubject, b: QuestionSubject) => JSON.stringify(a) === JSON.stringify(b);

/** The lawn's questions with these noted, or, where all of them are, without them; answered ones stay. */
export function toggledQuestions(
  questions: readonly Question[],
  subjects: readonly QuestionSubject[],
  today: Visit['date'],
  newId: () => string,
): Question[] {
  const isOpen = (subject: QuestionSubject) =>
    questions.some((question) => !question.answer && same(question.subject, subject));
  if (subjects.every(isOpen)) {
    return questions.filter(
      ({ answer, subject }) => answer !== null || !subjects.some((other) => same(other, subject)),
    );
  }
  return [
    ...questions,
    ...subjects
      .filter((subject) => !isOpen(subject))
      .map((subject) => ({ id: newId(), subject, askedOn: today, answer: null })),
  ];
}
