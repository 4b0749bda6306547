import './workerEnv';
import { SeasonSessions, tryDay, tryDays } from './seasonSession';
import { choicesView, ratesView } from './seasonView';
import { yearView } from './yearView';
import type { Asked } from './askSeason';

const sessions = new SeasonSessions();

function answer(asked: Asked) {
  if ('season' in asked) return sessions.open(asked.season);
  if ('year' in asked) return yearView(asked.year);
  if ('choices' in asked) return choicesView(asked.choices, asked.stepId);
  if ('rates' in asked) return ratesView(asked.rates, asked.zoneId);
  const session = sessions.of(asked.session);
  return 'date' in asked ? tryDay(session, asked.jobId, asked.date) : tryDays(session, asked.jobId);
}

self.onmessage = ({ data }: MessageEvent<{ id: number; asked: Asked }>) => {
  const { id, asked } = data;
  try {
    self.postMessage({ id, view: answer(asked) });
  } catch (error) {
    self.postMessage({ id, failure: String(error) });
  }
};
