import type { PhotoFrame, PhotoMeasure } from '@alfombra/core/photo';
import type { PhotoAnswer, PhotoRequest } from './photo.worker';

export interface MeasuredPhoto {
  measure: PhotoMeasure;
  mask: ImageData;
}

export interface PhotoJob {
  /** `null` when it was stopped. */
  done: Promise<MeasuredPhoto | null>;
  stop: () => void;
}

let worker: Worker | null = null;
let nextId = 1;
const waiting = new Map<number, (answer: PhotoAnswer) => void>();

function photoWorker(): Worker {
  if (!worker) {
    worker = new Worker(new URL('./photo.worker', window.location.href));
    worker.onmessage = ({ data }: MessageEvent<PhotoAnswer>) => waiting.get(data.id)?.(data);
  }
  return worker;
}

/** Measures a picture off the main thread; tells how far it is and can be stopped. */
export function measurePhoto(
  picture: Blob,
  frame: PhotoFrame,
  onProgress: (share: number) => void,
): PhotoJob {
  const id = nextId++;
  const post = (request: PhotoRequest) => photoWorker().postMessage(request);
  let end: (result: MeasuredPhoto | null) => void = () => undefined;
  const done = new Promise<MeasuredPhoto | null>((resolve, reject) => {
    end = (result) => {
      waiting.delete(id);
      resolve(result);
    };
    waiting.set(id, (answer) => {
      if ('progress' in answer) onProgress(answer.progress);
      else if ('measure' in answer) end({ measure: answer.measure, mask: answer.mask });
      else {
        waiting.delete(id);
        reject(new Error(answer.failure));
      }
    });
    post({ id, picture, frame });
  });
  return {
    done,
    stop: () => {
      // One that has ended needs no word to the worker.
      if (!waiting.has(id)) return;
      post({ id, stop: true });
      end(null);
    },
  };
}
