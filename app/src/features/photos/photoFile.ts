import { seededRandom } from '@alfombra/core';
import { turfPicture } from '@alfombra/core/standins';
import { photoBytes } from '@/api/sync/sync';

const SIZE = { width: 640, height: 480 };

/** The stand-in camera: a made-up picture of turf with a known share of green, as a JPEG. */
export function standInPhoto(seed: number, green: number): Promise<ArrayBuffer> {
  const { width, height, rgb } = turfPicture(seededRandom(seed), green, SIZE.width, SIZE.height);
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const picture = new ImageData(width, height);
  for (let pixel = 0; pixel < width * height; pixel += 1) {
    picture.data.set(rgb.subarray(pixel * 3, pixel * 3 + 3), pixel * 4);
    picture.data[pixel * 4 + 3] = 255;
  }
  canvas.getContext('2d')?.putImageData(picture, 0, 0);
  return toJpeg(canvas);
}

/** The bytes of a photo: from this device where it was taken here, else from the server. */
export async function photoBlob(id: string): Promise<Blob> {
  const own = await photoBytes(id);
  if (own) return own;
  const answer = await fetch(`/api/photos/${id}/bytes`);
  if (!answer.ok) throw new Error(`photo ${id}: ${answer.status}`);
  return answer.blob();
}

const LONGEST = 1600;
const QUALITY = 0.82;

/** A photo made smaller; drawing it anew also leaves out where and when it was taken. */
export async function smallPhoto(file: Blob): Promise<ArrayBuffer> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return toJpeg(canvas);
}

const toJpeg = (canvas: HTMLCanvasElement): Promise<ArrayBuffer> =>
  new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob.arrayBuffer()) : reject(new Error('no picture'))),
      'image/jpeg',
      QUALITY,
    ),
  );
