import sharp from 'sharp';

/** Longest side that is kept, px; what a phone sends is smaller already. */
const LONGEST = 2000;
const MOST_PIXELS = 50_000_000;
const WITHIN_SECONDS = 15;
const QUALITY = 82;

// One picture at a time in each of the library's threads, and nothing kept between them.
sharp.concurrency(1);
sharp.cache(false);

/**
 * A picture made anew as a JPEG: what is none, or too large to be one, comes out as an error, and what it
 * said of place and camera stays behind. Decoding runs in the library's own threads.
 * @throws Error when the bytes are no picture, have too many pixels, or take too long
 */
export const redrawn = (bytes: Buffer): Promise<Buffer> =>
  sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', pages: 1, animated: false })
    .timeout({ seconds: WITHIN_SECONDS })
    .rotate()
    .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: QUALITY })
    .toBuffer();
