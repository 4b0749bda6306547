import { causes, diagnosisModel, signs, type Sign } from '../knowledge';

/** P(sign | cause) of one listed pair, by index. */
export interface Cell {
  cause: number;
  p: number;
  logYes: number;
  logNo: number;
}

export interface SignColumn {
  sign: Sign;
  group: number;
  /** Causes that list the sign. */
  cells: readonly Cell[];
  /** The same causes by index, for asking whether a cause moves at all. */
  moves: ReadonlySet<number>;
}

const groupIndex = new Map<string, number>();
for (const sign of signs) {
  if (!groupIndex.has(sign.group)) groupIndex.set(sign.group, groupIndex.size);
}

/** Number of correlation groups. */
export const groupCount = groupIndex.size;

/** Name of a correlation group by its index. */
export const groupNames: readonly string[] = [...groupIndex.keys()];

/** Log likelihood ratio of an answer against the base rate, nats. */
export function logRatio(p: number, base: number, yes: boolean): number {
  return yes ? Math.log(p / base) : Math.log((1 - p) / (1 - base));
}

/** Share of a listed probability that survives when the answerer lacks the sign's skill. */
function skillPull(sign: Sign, skill: number): number {
  const short = Math.max(0, sign.skill - skill);
  return diagnosisModel.skillPull[short] as number;
}

function buildColumns(skill: number): SignColumn[] {
  return signs.map((sign) => {
    const pull = skillPull(sign, skill);
    const cells: Cell[] = causes.flatMap((cause, index) => {
      const listed = cause.signs[sign.slug];
      if (listed === undefined) return [];
      const p = sign.base + pull * (listed - sign.base);
      const logYes = logRatio(p, sign.base, true);
      const logNo = logRatio(p, sign.base, false);
      return [{ cause: index, p, logYes, logNo }];
    });
    const moves = new Set(cells.map((cell) => cell.cause));
    return { sign, group: groupIndex.get(sign.group) as number, cells, moves };
  });
}

const columnsBySkill = new Map<number, SignColumn[]>();

/** The likelihood table as columns by sign, for a skill of 1 to 3; built once. */
export function signColumns(skill: number): readonly SignColumn[] {
  let columns = columnsBySkill.get(skill);
  if (!columns) {
    columns = buildColumns(skill);
    columnsBySkill.set(skill, columns);
  }
  return columns;
}
