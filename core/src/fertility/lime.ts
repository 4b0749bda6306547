import {
  amendmentLimits,
  limeByTexture,
  smpTable,
  sulfurByTexture,
  type LimeTexture,
} from '../knowledge/amendments';

/** 1 ton/acre in lb per 1000 ft². */
const LB_PER_1000_PER_TON_ACRE = 2000 / 43.56;
const SMP_DEPTH_IN = 8;
const TABLE_DEPTH_IN = 6;
const TABLE_ECCE = 0.9;

/** Linear between rows of `[x, y]` in falling or rising order of x; `null` outside. */
function between(rows: readonly (readonly [number, number])[], x: number): number | null {
  for (let index = 0; index + 1 < rows.length; index += 1) {
    const [ax, ay] = rows[index]!;
    const [bx, by] = rows[index + 1]!;
    if (x >= Math.min(ax, bx) && x <= Math.max(ax, bx)) {
      return ay + ((x - ax) / (bx - ax)) * (by - ay);
    }
  }
  return null;
}

export interface Amendment {
  /** Product for the whole correction, lb per 1000 ft². */
  lbPer1000: number;
  applications: number;
  eachLbPer1000: number;
}

/** Splits a correction into applications that live turf takes. */
export function splitAmendment(lbPer1000: number, once: number): Amendment {
  const applications = Math.max(1, Math.ceil(lbPer1000 / once - 1e-9));
  return { lbPer1000, applications, eachLbPer1000: lbPer1000 / applications };
}

/**
 * Lime from an SMP buffer test; buffers of other names are not the same scale.
 * @param target 6.0-7.0; @param depthIn soil to be corrected; @param ecce share of pure lime, 0-1
 * @returns `null` outside the table
 */
export function limeFromBuffer(
  bufferPh: number,
  target: number,
  depthIn: number,
  ecce: number,
): Amendment | null {
  const column = (index: number) =>
    between(
      smpTable.rows.map((row): [number, number] => [row[0], row[index + 1] as number]),
      bufferPh,
    );
  const values = smpTable.targets.map((ph, index) => [ph, column(index)] as const);
  if (values.some(([, tons]) => tons === null)) return null;
  const tons = between(values as unknown as readonly (readonly [number, number])[], target);
  if (tons === null) return null;
  return splitAmendment(
    (tons * LB_PER_1000_PER_TON_ACRE * depthIn) / SMP_DEPTH_IN / ecce,
    amendmentLimits.limeOnce,
  );
}

/** Lime by texture where no buffer was tested, to pH 6.5. @returns `null` outside the table */
export function limeFromTexture(
  ph: number,
  texture: LimeTexture,
  ecce: number,
  depthIn = TABLE_DEPTH_IN,
): Amendment | null {
  const table: readonly (readonly [number, number])[] = [[6.5, 0], ...limeByTexture[texture]];
  const lb = between(table, ph);
  if (lb === null) return null;
  return splitAmendment(
    (lb * TABLE_ECCE * depthIn) / TABLE_DEPTH_IN / ecce,
    amendmentLimits.limeOnce,
  );
}

/** Elemental sulfur by texture, to pH 6.5; `years` at the yearly most. @returns `null` outside the table */
export function sulfurFromTexture(
  ph: number,
  texture: keyof typeof sulfurByTexture,
): (Amendment & { years: number }) | null {
  const table: readonly (readonly [number, number])[] = [[6.5, 0], ...sulfurByTexture[texture]];
  const lb = between(table, ph);
  if (lb === null) return null;
  return {
    ...splitAmendment(lb, amendmentLimits.sulfurOnce),
    years: Math.max(1, Math.ceil(lb / amendmentLimits.sulfurYear - 1e-9)),
  };
}
