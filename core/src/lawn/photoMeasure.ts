import { photoRules } from '../knowledge/photoRules';

/** A frame on a picture, shares of its width and height, 0-1. */
export interface PhotoFrame {
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface PhotoMeasure {
  /** Share of the pixels that is green, deep shade left out, 0-1; `null` when all is shade. */
  green: number | null;
  /** Mean dark green colour index of the green pixels, 0-1; `null` when none is green. */
  darkGreen: number | null;
  /** Pixels that counted, and those left out as shade. */
  counted: number;
  shade: number;
}

/** Whether a colour (0-255) is green canopy. Source: Patrignani & Ochsner 2015, Agronomy Journal 107. */
export function isGreen(r: number, g: number, b: number): boolean {
  const { redToGreen, blueToGreen, excess } = photoRules.green;
  return r < redToGreen * g && b < blueToGreen * g && 2 * g - r - b > excess;
}

/**
 * Dark green colour index of a colour (0-255): ((H − 60)/60 + (1 − S) + (1 − B)) / 3, hue clamped to
 * 60-120°. Source: Karcher & Richardson 2003, Crop Science 43.
 */
export function darkGreenIndex(r: number, g: number, b: number): number {
  const most = Math.max(r, g, b);
  const least = Math.min(r, g, b);
  const spread = most - least;
  const saturation = most === 0 ? 0 : spread / most;
  let hue = 0;
  if (spread > 0) {
    if (most === r) hue = 60 * ((g - b) / spread);
    else if (most === g) hue = 60 * ((b - r) / spread + 2);
    else hue = 60 * ((r - g) / spread + 4);
    if (hue < 0) hue += 360;
  }
  const clamped = Math.min(120, Math.max(60, hue));
  return ((clamped - 60) / 60 + (1 - saturation) + (1 - most / 255)) / 3;
}

/** Adds up a picture strip by strip, so that a big one can be stopped and shows how far it is. */
export class PhotoTally {
  private greens = 0;
  private indexes = 0;
  private counted = 0;
  private shade = 0;

  /**
   * Takes in pixels as red, green, blue, alpha, 0-255.
   * @param mask written per pixel when given: 1 green, 0 not, 2 shade; shape (pixels)
   */
  add(rgba: Uint8ClampedArray | Uint8Array, mask?: Uint8Array): void {
    const dark = photoRules.shadeBelow * 255;
    for (let at = 0, pixel = 0; at < rgba.length; at += 4, pixel += 1) {
      const [r, g, b] = [rgba[at]!, rgba[at + 1]!, rgba[at + 2]!];
      if (r < dark && g < dark && b < dark) {
        this.shade += 1;
        if (mask) mask[pixel] = 2;
        continue;
      }
      this.counted += 1;
      const green = isGreen(r, g, b);
      if (mask) mask[pixel] = green ? 1 : 0;
      if (!green) continue;
      this.greens += 1;
      this.indexes += darkGreenIndex(r, g, b);
    }
  }

  result(): PhotoMeasure {
    return {
      green: this.counted > 0 ? this.greens / this.counted : null,
      darkGreen: this.greens > 0 ? this.indexes / this.greens : null,
      counted: this.counted,
      shade: this.shade,
    };
  }
}
