import './workerEnv';
import { seasonView, type SeasonQuestion } from '../features/season/seasonView';

interface Asked {
  id: number;
  question: SeasonQuestion;
}

self.onmessage = ({ data }: MessageEvent<Asked>) => {
  try {
    self.postMessage({ id: data.id, view: seasonView(data.question) });
  } catch (error) {
    self.postMessage({ id: data.id, failure: String(error) });
  }
};
