import { z } from 'zod';
import type { Source } from '../knowledge';

/** One thing that is typed into a calculator. */
export type CalculatorField =
  | { slug: string; kind: 'number'; unit: string; min: number; max: number; usual: string }
  | {
      slug: string;
      kind: 'series';
      unit: string;
      min: number;
      max: number;
      /** Fewest figures. */
      least: number;
      usual: string;
    }
  | { slug: string; kind: 'choice'; options: readonly string[]; usual: string };

export interface Figure {
  slug: string;
  value: number;
  unit: string;
  digits: number;
  /** The answer that is looked for: shown large. */
  main?: boolean;
}

/** A sentence about the result: good, worth a second look, or not to be done. */
export interface CalculatorNote {
  rule: string;
  tone: 'good' | 'caution' | 'stop';
  inputs: Record<string, string | number>;
}

export interface CalculatorAnswer {
  figures: Figure[];
  notes: CalculatorNote[];
}

/** What was typed, read: figures, series and choices by field. */
export interface CalculatorValues {
  num(slug: string): number;
  list(slug: string): number[];
  choice(slug: string): string;
}

export const CALCULATOR_GROUPS = [
  'spray',
  'spread',
  'feed',
  'soil',
  'water',
  'seed',
  'measure',
] as const;
export type CalculatorGroup = (typeof CALCULATOR_GROUPS)[number];

export interface Calculator {
  slug: string;
  group: CalculatorGroup;
  /** What is put down by its answer: the usual care stands beside it; none where nothing is. */
  care?: 'spray' | 'granules' | 'seed';
  fields: readonly CalculatorField[];
  compute(values: CalculatorValues): CalculatorAnswer;
  source: Source;
}

export const num = (
  slug: string,
  unit: string,
  usual: number | '',
  [min, max]: readonly [number, number],
): CalculatorField => ({ slug, kind: 'number', unit, min, max, usual: String(usual) });

export const series = (
  slug: string,
  unit: string,
  usual: string,
  [min, max]: readonly [number, number],
  least: number,
): CalculatorField => ({ slug, kind: 'series', unit, min, max, least, usual });

export const choice = (
  slug: string,
  options: readonly string[],
  usual: string,
): CalculatorField => ({ slug, kind: 'choice', options, usual });

export const figure = (
  slug: string,
  value: number,
  unit: string,
  digits = 2,
  main = false,
): Figure => ({ slug, value, unit, digits, ...(main ? { main } : {}) });

export const note = (
  rule: string,
  tone: CalculatorNote['tone'] = 'caution',
  inputs: CalculatorNote['inputs'] = {},
): CalculatorNote => ({ rule, tone, inputs });

/** What is wrong with one field. */
export type FieldProblem = 'missing' | 'not-a-number' | 'out-of-range' | 'too-few';

/** A figure as the core writes it: a decimal point and no group marks; `null` when it is none. */
export const plainNumber = (text: string): number | null =>
  /^[-+]?(\d+\.?\d*|\.\d+)$/.test(text) ? Number(text) : null;

/**
 * Reads what was typed and computes.
 * @param typed text by field
 * @param read a figure as it is written where the person is; `null` when it is none
 * @returns the answer, or the problem of each field that has one
 */
export function calculate(
  calculator: Calculator,
  typed: Readonly<Record<string, string>>,
  read: (text: string) => number | null = plainNumber,
): { answer: CalculatorAnswer | null; problems: Record<string, FieldProblem> } {
  const problems: Record<string, FieldProblem> = {};
  const numbers: Record<string, number> = {};
  const lists: Record<string, number[]> = {};
  const choices: Record<string, string> = {};
  for (const field of calculator.fields) {
    const text = typed[field.slug] ?? '';
    if (field.kind === 'choice') {
      if (z.enum(field.options as [string, ...string[]]).safeParse(text).success) {
        choices[field.slug] = text;
      } else problems[field.slug] = 'missing';
      continue;
    }
    const outside = (value: number) => value < field.min || value > field.max;
    if (field.kind === 'number') {
      const value = read(text.trim());
      if (text.trim() === '') problems[field.slug] = 'missing';
      else if (value === null) problems[field.slug] = 'not-a-number';
      else if (outside(value)) problems[field.slug] = 'out-of-range';
      else numbers[field.slug] = value;
      continue;
    }
    const parts = text.split(/[\s;]+/).filter(Boolean);
    const values = parts.map(read).filter((value) => value !== null);
    if (parts.length === 0) problems[field.slug] = 'missing';
    else if (values.length < parts.length) {
      problems[field.slug] = 'not-a-number';
    } else if (values.some(outside)) problems[field.slug] = 'out-of-range';
    else if (values.length < field.least) problems[field.slug] = 'too-few';
    else lists[field.slug] = values;
  }
  if (Object.keys(problems).length > 0) return { answer: null, problems };
  return {
    answer: calculator.compute({
      num: (slug) => numbers[slug] as number,
      list: (slug) => lists[slug] as number[],
      choice: (slug) => choices[slug] as string,
    }),
    problems,
  };
}
