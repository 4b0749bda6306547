import './workerEnv';
import { seasonView } from '../features/season/seasonView';
import { yearView } from '../features/season/yearView';
import type { Asked } from './askSeason';

self.onmessage = ({ data }: MessageEvent<{ id: number; asked: Asked }>) => {
  const { id, asked } = data;
  try {
    const view = 'season' in asked ? seasonView(asked.season) : yearView(asked.year);
    self.postMessage({ id, view });
  } catch (error) {
    self.postMessage({ id, failure: String(error) });
  }
};
