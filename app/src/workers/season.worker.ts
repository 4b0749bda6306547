import './workerEnv';
import { choicesView, ratesView, seasonView } from './seasonView';
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
          : 'choices' in asked
            ? choicesView(asked.choices, asked.stepId)
            : ratesView(asked.rates, asked.zoneId);
    self.postMessage({ id, view });
  } catch (error) {
    self.postMessage({ id, failure: String(error) });
  }
};
