import type { QuestionSubject } from '../contract/question';

/** Choices of a subject's answer; empty for free text. */
export function answerChoices(subject: QuestionSubject): readonly string[] {
  switch (subject.kind) {
    case 'mows':
      return ['owner', 'service', 'us'];
    case 'waters':
      return ['owner', 'system', 'nobody'];
    case 'other':
      return [];
    default:
      return ['yes', 'no'];
  }
}
