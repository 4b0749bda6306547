import './workerEnv';
import { choicesView, seasonView } from './seasonView';
import { yearView } from './yearView';
import type { Asked } from './askSeason';

self.onmessage = ({ data }: MessageEvent<{ id: number; asked: Asked }>) => {
  const { id, asked } = data;
  try {
    const view =
      'season' in asked
        ? seasonView(asked.season)
        : 'year' in asked
          ? yearView(asked.year)
          : choicesView(asked.choices, asked.stepId);
    self.postMessage({ id, view });
  } catch (error) {
    self.postMessage({ id, failure: String(error) });
  }
};
