import { seededRandom } from '@alfombra/core';

const SIZE = { width: 960, height: 720 };

/**
 * A made-up picture of turf with a known share of green, for the demo: blades and bare soil drawn on
 * a canvas. The same seed and share give the same picture.
 */
export function turfPicture(seed: number, green: number): Promise<ArrayBuffer> {
  const canvas = document.createElement('canvas');
  canvas.width = SIZE.width;
  canvas.height = SIZE.height;
  const context = canvas.getContext('2d');
  if (!context) return Promise.reject(new Error('no canvas'));
  const random = seededRandom(seed);
  context.fillStyle = '#8a6d4b';
  context.fillRect(0, 0, SIZE.width, SIZE.height);
  for (let index = 0; index < 9000; index += 1) {
    const x = random() * SIZE.width;
    const y = random() * SIZE.height;
    const alive = random() < green;
    const shade = 70 + Math.floor(random() * 70);
    context.strokeStyle = alive
      ? `rgb(${shade - 30}, ${shade + 45}, ${shade - 35})`
      : `rgb(${shade + 95}, ${shade + 75}, ${shade + 15})`;
    context.lineWidth = 1.5 + random() * 2;
    context.beginPath();
    context.moveTo(x, y);
    context.quadraticCurveTo(x + (random() - 0.5) * 14, y - 14, x + (random() - 0.5) * 30, y - 26);
    context.stroke();
  }
  return toJpeg(canvas);
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
