import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';

/** Room at both ends of a year, px; charts that lie over one another share it. */
export const PAD = 12;
/** Tenths of a pixel are as fine as a screen shows. */
const DIGITS = 1;

type Values = readonly (number | null | undefined)[];
type Scale = (value: number) => number;

/** Days of a year, by index from its first, on a width, px; days outside lie at the ends. */
export const dayScale = (last: number, width: number): Scale =>
  scaleLinear([0, last], [PAD, width - PAD]).clamp(true);

/** Values on a height, px, the largest on top; values outside lie at the edges. */
export const valueScale = (low: number, high: number, top: number, foot: number): Scale =>
  scaleLinear([low, high], [foot, top]).clamp(true);

const daysOf = (from: number, to: number) =>
  Array.from({ length: Math.max(0, to - from + 1) }, (_, offset) => from + offset);

/** The curve of some days, `from` and `to` among them; days without a value are passed over. */
export function curvePath(values: Values, from: number, to: number, x: Scale, y: Scale): string {
  const known = daysOf(from, Math.min(to, values.length - 1)).flatMap((index) => {
    const value = values[index];
    return typeof value === 'number' ? [[x(index), y(value)] as [number, number]] : [];
  });
  return line().digits(DIGITS)(known) ?? '';
}

/** The band between two curves over some days; a day that lacks one of them is passed over. */
export function bandPath(
  low: Values,
  high: Values,
  from: number,
  to: number,
  x: Scale,
  y: Scale,
): string {
  const known = daysOf(from, Math.min(to, low.length - 1, high.length - 1)).flatMap((index) => {
    const [under, over] = [low[index], high[index]];
    return typeof under === 'number' && typeof over === 'number'
      ? [{ at: x(index), under: y(under), over: y(over) }]
      : [];
  });
  return (
    area<(typeof known)[number]>()
      .x(({ at }) => at)
      .y0(({ under }) => under)
      .y1(({ over }) => over)
      .digits(DIGITS)(known) ?? ''
  );
}
