import { SERVICES, type Agreement } from '@alfombra/core';
import { testLawn } from '@/testdata/testLawn';
import { propertyDraft, propertyFormSchema } from './propertyDraft';

const lawn = (agreement: Agreement | null) => ({ ...testLawn(), customer: 'A', agreement });
const through = (agreement: Agreement | null) =>
  propertyFormSchema.parse(propertyDraft(lawn(agreement) as never, [])).agreement;

it.each([
  null,
  { services: [], doneBy: {} },
  { services: [...SERVICES], doneBy: {} },
  { services: ['feeding', 'seeding'], doneBy: { seeding: 'customer' }, from: '2026-03-01' },
  { services: ['insects'], doneBy: { insects: 'other' }, from: '2026-03-01', to: '2026-03-01' },
] as (Agreement | null)[])('leaves the form as it went into it: %j', (agreement) =>
  expect(through(agreement)).toEqual(agreement),
);

it('says at the field that an agreement ends before it begins', () => {
  const draft = propertyDraft(lawn({ services: [], doneBy: {} }) as never, []);
  const faults = (from: string, to: string) =>
    propertyFormSchema
      .safeParse({ ...draft, agreement: { ...draft.agreement, from, to } })
      .error?.issues.map(({ path, message }) => [path.join('.'), message]);
  expect(faults('2026-03-02', '2026-03-01')).toEqual([['agreement.to', 'property.endsBefore']]);
  expect(faults('2026-03-01', '2026-03-01')).toBeUndefined();
  expect(faults('2026-03-01', '')).toBeUndefined();
});
