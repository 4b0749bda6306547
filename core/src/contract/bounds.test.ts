import type { z } from 'zod';
import { localDateSchema } from '../weather';
import {
  applicationRecordBodySchema,
  companyUpdateSchema,
  customerBodySchema,
  lawnBodySchema,
  photoBodySchema,
  readingBodySchema,
  reportAnswersSchema,
  reportBodySchema,
  signInSchema,
  soilSampleBodySchema,
  visitBodySchema,
  weatherImportSchema,
} from '.';

const BODIES = {
  lawn: lawnBodySchema,
  customer: customerBodySchema,
  visit: visitBodySchema,
  record: applicationRecordBodySchema,
  reading: readingBodySchema,
  sample: soilSampleBodySchema,
  photo: photoBodySchema,
  report: reportBodySchema,
  answers: reportAnswersSchema,
  company: companyUpdateSchema,
  weather: weatherImportSchema,
  'sign in': signInSchema,
} satisfies Record<string, z.ZodType>;

interface Def {
  type: string;
  innerType?: z.ZodType;
  element?: z.ZodType;
  shape?: Record<string, z.ZodType>;
  options?: z.ZodType[];
  in?: z.ZodType;
  left?: z.ZodType;
  right?: z.ZodType;
  keyType?: z.ZodType;
  valueType?: z.ZodType;
  items?: z.ZodType[];
  getter?: () => z.ZodType;
  format?: string;
  checks?: { _zod: { def: { check: string; format?: string } } }[];
}

/** Places of a schema where something without an end goes in. */
function endless(schema: z.ZodType, path: string, seen: ReadonlySet<z.ZodType>): string[] {
  if (schema === (localDateSchema as z.ZodType) || seen.has(schema)) return [];
  const def = schema._zod.def as unknown as Def;
  const checks = (def.checks ?? []).map(({ _zod }) => _zod.def);
  const has = (...names: string[]) => checks.some(({ check }) => names.includes(check));
  const ends = has('max_length', 'length_equals');
  const into = (inner: z.ZodType | undefined, name = '') =>
    inner ? endless(inner, `${path}${name}`, new Set([...seen, schema])) : [];
  switch (def.type) {
    case 'string':
      return ends || def.format === 'uuid' || checks.some(({ format }) => format === 'uuid')
        ? []
        : [`${path}: a text`];
    case 'number':
      return has('less_than') && has('greater_than') ? [] : [`${path}: a number`];
    case 'array':
      return [...(ends ? [] : [`${path}: a list`]), ...into(def.element, '[]')];
    case 'object':
      return Object.entries(def.shape ?? {}).flatMap(([key, inner]) => into(inner, `.${key}`));
    case 'record':
      return [...into(def.keyType, '{key}'), ...into(def.valueType, '{}')];
    case 'union':
      return (def.options ?? []).flatMap((option) => into(option));
    case 'intersection':
      return [...into(def.left), ...into(def.right)];
    case 'tuple':
      return (def.items ?? []).flatMap((item, index) => into(item, `[${index}]`));
    case 'pipe':
      return into(def.in);
    case 'lazy':
      return into(def.getter?.());
    case 'any':
    case 'unknown':
      return [`${path}: anything`];
    default:
      return into(def.innerType);
  }
}

it.each(Object.entries(BODIES))(
  'every text, number and list of a %s has an end',
  (name, schema) => {
    expect(endless(schema, name, new Set())).toEqual([]);
  },
);
