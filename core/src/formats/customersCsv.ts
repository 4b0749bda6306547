import { csvText } from './csvText';
import { customerBodySchema, type CustomerBody } from '../contract/customer';
import { propertySchema, type Property } from '../contract/lawn';
import { regionSchema, type Region } from '../knowledge';
import { upkeepSchema, type Upkeep } from '../lawn';
import { csvRows } from './csvRows';
import type { RowError } from './rowError';

const COLUMNS = [
  'customer',
  'phone',
  'email',
  'language',
  'note',
  'property',
  'region',
  'upkeep',
  'access',
  'mows',
  'waters',
  'pets',
  'children',
] as const;
type Column = (typeof COLUMNS)[number];

/** One line of a customer list: a customer and one property of theirs. */
export interface ImportedProperty {
  row: number;
  customer: CustomerBody;
  property: { name: string; region: Region; upkeep: Upkeep; property: Property };
}

const YES_NO: Readonly<Record<string, boolean | null>> = { yes: true, no: false, '': null };

/**
 * Reads a customer list. `customer` and `property` are required; a customer with several properties
 * has a line for each. Lines with a fault are left out and named, the others come back.
 * @param region used where a line gives none
 * @param known names of properties that are there already; a second one of a name is a fault
 */
export function parseCustomersCsv(
  text: string,
  region: Region,
  known: readonly string[] = [],
): { properties: ImportedProperty[]; errors: RowError[] } {
  const { rows, errors } = csvRows(text, COLUMNS, ['customer', 'property']);
  const seen = new Map(known.map((name) => [plain(name), 0]));
  const properties: ImportedProperty[] = [];
  for (const { row, cells } of rows) {
    const cell = (column: Column) => cells[column] ?? '';
    const before = errors.length;
    const take = <Value>(
      column: Column,
      value: { success: boolean; data?: Value; error?: { issues: { message: string }[] } },
    ) => {
      if (!value.success)
        errors.push({ row, column, message: value.error?.issues[0]?.message ?? 'not understood' });
      return value.data as Value;
    };
    const choice = <Value extends string>(
      column: Column,
      values: readonly Value[],
      fallback: Value,
    ): Value => {
      const text = cell(column).toLowerCase();
      if (text === '') return fallback;
      if ((values as readonly string[]).includes(text)) return text as Value;
      errors.push({ row, column, message: `“${cell(column)}” is none of ${values.join(', ')}` });
      return fallback;
    };
    const yesNo = (column: Column) => {
      const text = cell(column).toLowerCase();
      if (text in YES_NO) return YES_NO[text] ?? null;
      errors.push({ row, column, message: `“${cell(column)}” is neither yes nor no` });
      return null;
    };
    const { shape } = customerBodySchema;
    const customer: CustomerBody = {
      name: take('customer', shape.name.safeParse(cell('customer'))),
      phone: take('phone', shape.phone.safeParse(cell('phone'))),
      email: take('email', shape.email.safeParse(cell('email'))),
      language: choice('language', ['en', 'es'], 'en'),
      note: take('note', shape.note.safeParse(cell('note'))),
      archived: false,
    };
    const name = cell('property');
    if (name === '')
      errors.push({ row, column: 'property', message: 'give the property a name or street' });
    const first = seen.get(plain(name));
    if (first !== undefined) {
      errors.push({
        row,
        column: 'property',
        message:
          first === 0 ? `“${name}” is there already` : `“${name}” is on line ${first} already`,
      });
    } else seen.set(plain(name), row);
    const property: Property = {
      ...propertySchema.parse({}),
      access: cell('access'),
      mows: choice('mows', propertySchema.shape.mows.unwrap().options, 'unknown'),
      waters: choice('waters', propertySchema.shape.waters.unwrap().options, 'unknown'),
      pets: yesNo('pets'),
      children: yesNo('children'),
    };
    const entry = {
      row,
      customer,
      property: {
        name,
        region: choice('region', regionSchema.options, region),
        upkeep: choice('upkeep', upkeepSchema.options, 'standard'),
        property,
      },
    };
    if (errors.length === before) properties.push(entry);
  }
  return { properties, errors: errors.sort((a, b) => a.row - b.row) };
}

/** A customer list as CSV, in the columns that {@link parseCustomersCsv} reads. */
export function writeCustomersCsv(properties: readonly Omit<ImportedProperty, 'row'>[]): string {
  const yesNo = (value: boolean | null) => (value === null ? '' : value ? 'yes' : 'no');
  return csvText({
    fields: [...COLUMNS],
    data: properties.map(({ customer, property }) => [
      customer.name,
      customer.phone,
      customer.email,
      customer.language,
      customer.note,
      property.name,
      property.region,
      property.upkeep,
      property.property.access,
      property.property.mows,
      property.property.waters,
      yesNo(property.property.pets),
      yesNo(property.property.children),
    ]),
  });
}

const plain = (name: string) => name.trim().toLowerCase().replace(/\s+/g, ' ');
