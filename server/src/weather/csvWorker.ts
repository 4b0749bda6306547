import { parentPort } from 'node:worker_threads';
import { parseWeatherCsv } from '@alfombra/core/service';

parentPort?.on('message', (csv: string) => parentPort?.postMessage(parseWeatherCsv(csv)));
