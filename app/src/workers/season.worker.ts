import './workerEnv';
import { answerSeason } from './answerSeason';
import type { Asked } from './askSeason';
import { SeasonSessions } from './seasonSession';

const sessions = new SeasonSessions();

self.onmessage = ({ data }: MessageEvent<{ id: number; asked: Asked }>) =>
  self.postMessage(answerSeason(sessions, data));
