import './workerEnv';
import { PhotoTally, type PhotoFrame, type PhotoMeasure } from '@alfombra/core/photo';

export type PhotoRequest =
  { id: number; picture: Blob; frame: PhotoFrame } | { id: number; stop: true };

export type PhotoAnswer =
  | { id: number; progress: number }
  | { id: number; measure: PhotoMeasure; mask: ImageData }
  | { id: number; failure: string };

/** Rows taken at once: between strips a stop can come in and the progress goes out. */
const STRIP_ROWS = 128;
const MASK_WIDTH = 480;
/** Colours of the mask: green turf dyed, the rest pale, shade dark. */
const DYES = [
  [251, 248, 241],
  [47, 127, 109],
  [36, 28, 21],
] as const;

const stopped = new Set<number>();
const breath = () => new Promise((resume) => setTimeout(resume, 0));
const send = (answer: PhotoAnswer) => self.postMessage(answer);

async function measure(id: number, picture: Blob, frame: PhotoFrame): Promise<void> {
  const bitmap = await createImageBitmap(picture);
  const left = Math.floor(frame.x * bitmap.width);
  const top = Math.floor(frame.y * bitmap.height);
  const width = Math.max(1, Math.min(bitmap.width - left, Math.round(frame.width * bitmap.width)));
  const height = Math.max(
    1,
    Math.min(bitmap.height - top, Math.round(frame.height * bitmap.height)),
  );
  const tally = new PhotoTally();
  for (let row = 0; row < height; row += STRIP_ROWS) {
    if (stopped.delete(id)) {
      bitmap.close();
      return;
    }
    const rows = Math.min(STRIP_ROWS, height - row);
    const strip = new OffscreenCanvas(width, rows).getContext('2d', { willReadFrequently: true });
    if (!strip) throw new Error('no canvas');
    strip.drawImage(bitmap, left, top + row, width, rows, 0, 0, width, rows);
    tally.add(strip.getImageData(0, 0, width, rows).data);
    send({ id, progress: (row + rows) / height });
    await breath();
  }
  const mask = maskOf(bitmap, left, top, width, height);
  bitmap.close();
  send({ id, measure: tally.result(), mask });
}

/** The frame made small, each pixel dyed by what it counted as. */
function maskOf(bitmap: ImageBitmap, left: number, top: number, width: number, height: number) {
  const scale = Math.min(1, MASK_WIDTH / width);
  const [w, h] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
  const small = new OffscreenCanvas(w, h).getContext('2d');
  if (!small) throw new Error('no canvas');
  small.drawImage(bitmap, left, top, width, height, 0, 0, w, h);
  const image = small.getImageData(0, 0, w, h);
  const kinds = new Uint8Array(w * h);
  new PhotoTally().add(image.data, kinds);
  kinds.forEach((kind, pixel) => image.data.set(DYES[kind] ?? DYES[0], pixel * 4));
  return image;
}

self.onmessage = ({ data }: MessageEvent<PhotoRequest>) => {
  if ('stop' in data) {
    stopped.add(data.id);
    return;
  }
  measure(data.id, data.picture, data.frame).catch((error: unknown) =>
    send({ id: data.id, failure: String(error) }),
  );
};
