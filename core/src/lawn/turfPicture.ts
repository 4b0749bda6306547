/** A picture as rows of red, green and blue, 0-255. */
export interface Pixels {
  width: number;
  height: number;
  /** width · height · 3 values. */
  rgb: Uint8Array;
}

/**
 * A made-up photo of turf in which a known share of the blades is green: bare soil with short strokes
 * over it. A stand-in for a camera; the same numbers give the same picture.
 * @param random uniform draws in [0, 1), for instance `seededRandom(seed)`
 * @param green share of the blades that is alive, 0-1
 */
export function turfPicture(
  random: () => number,
  green: number,
  width: number,
  height: number,
): Pixels {
  const rgb = new Uint8Array(width * height * 3);
  const paint = (x: number, y: number, r: number, g: number, b: number) => {
    if (x < 0 || y < 0 || x >= width || y >= height) return;
    const at = (Math.floor(y) * width + Math.floor(x)) * 3;
    rgb[at] = r;
    rgb[at + 1] = g;
    rgb[at + 2] = b;
  };
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const grain = Math.floor(random() * 18);
      paint(x, y, 128 + grain, 100 + grain, 68 + grain);
    }
  }
  const blades = Math.round((width * height) / 42);
  for (let blade = 0; blade < blades; blade += 1) {
    const alive = random() < green;
    const shade = 70 + Math.floor(random() * 70);
    const [r, g, b] = alive
      ? [shade - 30, shade + 45, shade - 35]
      : [shade + 95, shade + 75, shade + 15];
    const lean = (random() - 0.5) * 1.4;
    const length = 8 + random() * 12;
    const [x0, y0] = [random() * width, random() * (height + length)];
    for (let step = 0; step < length; step += 0.7) {
      const x = x0 + lean * step;
      paint(x, y0 - step, r, g, b);
      paint(x + 1, y0 - step, r, g, b);
    }
  }
  return { width, height, rgb };
}
