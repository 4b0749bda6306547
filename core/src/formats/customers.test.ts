import type { Customer } from '../contract/customer';
import { csvNumber } from './csvNumber';
import { csvText, plainCell } from './csvText';
import { parseCustomersCsv, writeCustomersCsv } from './customersCsv';
import { customersOf } from './customersOf';

const lines = (text: string) => parseCustomersCsv(text, 'transition').properties;

describe('a list by whose the properties are', () => {
  it('has one customer for the lines of one name, with what any of them says', () => {
    const [one, ...more] = customersOf(
      lines(
        'customer,phone,email,property\nAda Fenwick,,,1 Elm\nada fenwick,555 0100,,2 Elm\nAda Fenwick,(555) 0100,ada@elm.demo,3 Elm',
      ),
      [],
    );
    expect(more).toEqual([]);
    expect(one).toMatchObject({
      known: null,
      customer: { name: 'Ada Fenwick', phone: '555 0100', email: 'ada@elm.demo' },
      properties: [{ name: '1 Elm' }, { name: '2 Elm' }, { name: '3 Elm' }],
    });
  });
  it('has two for one name with two telephones, and loses neither', () => {
    const found = customersOf(
      lines('customer,phone,property\nAda Fenwick,555 0100,1 Elm\nAda Fenwick,555 0199,2 Elm'),
      [],
    );
    expect(found.map(({ customer }) => customer.phone)).toEqual(['555 0100', '555 0199']);
  });
  it('knows who is on file, but not who left', () => {
    const ada = {
      id: '0190a000-0000-7000-8000-00000000000c',
      version: 3,
      name: 'Ada Fenwick',
      phone: '555 0100',
      email: '',
      language: 'en',
      note: '',
      archived: false,
    } satisfies Customer;
    const list = lines('customer,phone,property\nAda Fenwick,,1 Elm');
    expect(customersOf(list, [ada])[0]?.known).toBe(ada);
    expect(customersOf(list, [{ ...ada, archived: true }])[0]?.known).toBeNull();
  });
});

describe('a text that a spreadsheet takes for a formula', () => {
  // The lead characters of OWASP's page on CSV injection.
  it.each(['=1+1', '+1 555', '-1', '@SUM(A1)', '\t=1'])('%j goes out harmless', (text) => {
    const out = csvText({ fields: ['a'], data: [[text]] });
    expect(out.split('\r\n')[1]).toMatch(/^"?'/);
    expect(plainCell(`'${text}`)).toBe(text);
  });
  it('comes in again as it was; a number stays one', () => {
    const [line] = lines('customer,phone,property\nAda,+1 555 0100,=1 Elm');
    const again = lines(writeCustomersCsv([line!]));
    expect(again[0]).toEqual({ ...line, row: 2 });
    expect(csvText({ fields: ['t'], data: [[-4]] })).toBe('t\r\n-4');
    expect(plainCell("'tis")).toBe("'tis");
  });
});

it.each([
  ['64', 64],
  [' -3.5 ', -3.5],
  ['+.25', 0.25],
  ['1e2', 100],
  ['0x40', NaN],
  ['', NaN],
  ['1,5', NaN],
  ['Infinity', NaN],
])('reads the cell %j as %d', (cell, value) => {
  expect(csvNumber(cell)).toBe(value);
});
