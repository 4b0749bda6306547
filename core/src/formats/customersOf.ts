import type { Customer, CustomerBody } from '../contract/customer';
import type { ImportedProperty } from './customersCsv';

/** A customer of a list with the properties that it names of them. */
export interface ImportedCustomer {
  /** Who is on file already; `null` for a new one. */
  known: Customer | null;
  customer: CustomerBody;
  properties: ImportedProperty['property'][];
}

/**
 * The lines of a list by whose they are. Two of one name are one person unless their telephone or
 * e-mail says otherwise; what one line leaves out another may say.
 */
export function customersOf(
  lines: readonly ImportedProperty[],
  known: readonly Customer[],
): ImportedCustomer[] {
  const found = new Map<string, ImportedCustomer[]>();
  const put = (one: ImportedCustomer) => {
    const key = keyOf(one.customer);
    found.set(key, [...(found.get(key) ?? []), one]);
    return one;
  };
  for (const one of known) {
    if (!one.archived) put({ known: one, customer: one, properties: [] });
  }
  for (const { customer, property } of lines) {
    const one =
      found.get(keyOf(customer))?.find((other) => mayBe(other.customer, customer)) ??
      put({ known: null, customer, properties: [] });
    if (!one.known) {
      one.customer = {
        ...one.customer,
        phone: one.customer.phone || customer.phone,
        email: one.customer.email || customer.email,
        note: one.customer.note || customer.note,
      };
    }
    one.properties.push(property);
  }
  return [...found.values()].flat().filter(({ properties }) => properties.length > 0);
}

const keyOf = ({ name }: CustomerBody): string => name.trim().toLowerCase();

const mayBe = (a: CustomerBody, b: CustomerBody): boolean =>
  alike(a.email.toLowerCase(), b.email.toLowerCase()) && alike(digits(a.phone), digits(b.phone));
const alike = (a: string, b: string): boolean => a === '' || b === '' || a === b;
const digits = (phone: string): string => phone.replace(/\D/g, '');
