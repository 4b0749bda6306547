import type { LawnBody } from '../contract/lawn';
import type { Question } from '../contract/question';

/** One fact that an answer changed, for the line "what changed because of it". */
export interface FactChange {
  questionId: string;
  fact: 'edge' | 'irrigation' | 'pets' | 'children' | 'mows' | 'waters';
  zoneId: string | null;
  before: string;
  after: string;
}

/**
 * Takes the customer's answers into the lawn: each answered question is kept with its answer and the
 * assumption it was about becomes a fact. An edge answered "no" stays assumed: it is still unknown
 * where it lies. Answers to questions that the lawn does not have, or has answered, are left out.
 */
export function applyAnswers<Body extends LawnBody>(
  lawn: Body,
  answers: readonly { questionId: string; answer: NonNullable<Question['answer']> }[],
): { lawn: Body; changes: FactChange[] } {
  const changes: FactChange[] = [];
  let body = lawn;
  for (const { questionId, answer } of answers) {
    const question = body.questions.find(({ id }) => id === questionId);
    if (!question || question.answer) continue;
    body = {
      ...body,
      questions: body.questions.map((entry) =>
        entry.id === questionId ? { ...entry, answer } : entry,
      ),
    };
    body = withFact(body, question, answer.value, (change) =>
      changes.push({ questionId, ...change }),
    );
  }
  return { lawn: body, changes };
}

type Note = (change: Omit<FactChange, 'questionId'>) => void;

function withFact<Body extends LawnBody>(
  body: Body,
  question: Question,
  value: string,
  note: Note,
): Body {
  const { subject } = question;
  const property = (
    fact: 'pets' | 'children' | 'mows' | 'waters',
    next: LawnBody['property'][typeof fact],
  ): Body => {
    const before = body.property[fact];
    if (before === next) return body;
    note({ fact, zoneId: null, before: String(before ?? 'unknown'), after: String(next) });
    return { ...body, property: { ...body.property, [fact]: next } };
  };
  switch (subject.kind) {
    case 'edge': {
      if (value !== 'yes') return body;
      return changeZone(body, subject.zoneId, (zone) => {
        if (zone.edges[subject.edge] !== 'assumed') return zone;
        note({ fact: 'edge', zoneId: zone.id, before: 'assumed', after: 'confirmed' });
        return {
          ...zone,
          edges: zone.edges.map((state, at) =>
            at === subject.edge ? ('confirmed' as const) : state,
          ),
        };
      });
    }
    case 'irrigation':
      return changeZone(body, subject.zoneId, (zone) => {
        const irrigated = value === 'yes';
        if (zone.site.irrigated === irrigated) return zone;
        note({
          fact: 'irrigation',
          zoneId: zone.id,
          before: zone.site.irrigated === null ? 'unknown' : zone.site.irrigated ? 'yes' : 'no',
          after: value,
        });
        return { ...zone, site: { ...zone.site, irrigated } };
      });
    case 'dog': {
      const changed = property('pets', value === 'yes');
      return {
        ...changed,
        zones: changed.zones.map((zone) =>
          zone.site.dog === null ? { ...zone, site: { ...zone.site, dog: value === 'yes' } } : zone,
        ),
      };
    }
    case 'children':
      return property('children', value === 'yes');
    case 'mows':
      return property('mows', value as LawnBody['property']['mows']);
    case 'waters':
      return property('waters', value as LawnBody['property']['waters']);
    case 'other':
      return body;
  }
}

function changeZone<Body extends LawnBody>(
  body: Body,
  zoneId: string,
  change: (zone: Body['zones'][number]) => Body['zones'][number],
): Body {
  return { ...body, zones: body.zones.map((zone) => (zone.id === zoneId ? change(zone) : zone)) };
}
