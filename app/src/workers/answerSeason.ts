import type { Answer, Asked } from './askSeason';
import { ForgottenSeason, tryDay, tryDays, type SeasonSessions } from './seasonSession';
import { choicesView, ratesView } from './seasonView';
import { yearView } from './yearView';

function viewOf(sessions: SeasonSessions, asked: Asked): Answer['view'] {
  if ('season' in asked) return sessions.open(asked.season);
  if ('year' in asked) return yearView(asked.year);
  if ('choices' in asked) return choicesView(asked.choices, asked.stepId);
  if ('rates' in asked) return ratesView(asked.rates, asked.zoneId);
  const session = sessions.of(asked.session);
  return 'date' in asked ? tryDay(session, asked.jobId, asked.date) : tryDays(session, asked.jobId);
}

/** What the season worker says to what it is asked. */
export function answerSeason(
  sessions: SeasonSessions,
  { id, asked }: { id: number; asked: Asked },
): Answer {
  try {
    return { id, view: viewOf(sessions, asked) };
  } catch (error) {
    return { id, failure: String(error), forgotten: error instanceof ForgottenSeason };
  }
}
