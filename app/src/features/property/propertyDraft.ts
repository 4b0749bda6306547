import {
  propertySchema,
  regionSchema,
  upkeepSchema,
  type Customer,
  type Lawn,
} from '@alfombra/core';
import { z } from 'zod';
import { filledIn } from '@/ui';
import { stationOf } from './stationOf';

export const NEW_CUSTOMER = 'new';

const property = propertySchema.shape;
/** Yes, no, or nobody looked. */
const seen = z.enum(['yes', 'no', 'unknown']);
const seenAs = (value: boolean | null): z.infer<typeof seen> =>
  value === null ? 'unknown' : value ? 'yes' : 'no';
const asSeen = seen.transform((value) => (value === 'unknown' ? null : value === 'yes'));
const upTo = (most: number) => z.string().max(most, 'property.tooLong');

/** The form of a customer and one of their properties; a fault is a key of the catalogs. */
export const propertyFormSchema = z.object({
  customerId: z.string(),
  customer: z.object({
    name: filledIn('property.needsCustomer').max(80, 'property.tooLong'),
    phone: upTo(40),
    email: z.union([z.literal(''), z.email('property.badEmail')], 'property.badEmail'),
    language: z.enum(['en', 'es']),
    note: upTo(1000),
  }),
  name: filledIn('property.needsName').max(80, 'property.tooLong'),
  region: regionSchema,
  upkeep: upkeepSchema,
  property: z.object({
    access: upTo(500),
    mows: property.mows.unwrap(),
    mowDays: property.mowDays.unwrap(),
    waters: property.waters.unwrap(),
    waterDays: property.waterDays.unwrap(),
    waterAt: property.waterAt.unwrap(),
    timeZone: z
      .union([property.timeZone.unwrap().unwrap(), z.literal('')])
      .transform((zone) => zone || null),
    intensity: property.intensity.unwrap(),
    budget: upTo(120),
    pets: asSeen,
    children: asSeen,
    waterNear: property.waterNear.unwrap(),
    sensitiveNeighbours: upTo(300),
  }),
});
export type PropertyDraft = z.input<typeof propertyFormSchema>;
export type PropertyRead = z.output<typeof propertyFormSchema>;

/** What a form of a customer shows; of none, empty lines. */
export const customerDraft = (customer: Customer | undefined): PropertyDraft['customer'] => ({
  name: customer?.name ?? '',
  phone: customer?.phone ?? '',
  email: customer?.email ?? '',
  language: customer?.language ?? 'en',
  note: customer?.note ?? '',
});

export function propertyDraft(lawn: Lawn | null, customers: readonly Customer[]): PropertyDraft {
  const customer = customers.find(({ id }) => id === lawn?.customerId);
  const known = lawn?.property ?? propertySchema.parse({});
  return {
    customerId: customer?.id ?? NEW_CUSTOMER,
    customer: customer
      ? customerDraft(customer)
      : { ...customerDraft(undefined), name: lawn?.customer ?? '' },
    name: lawn?.name ?? '',
    region: lawn?.region ?? 'transition',
    upkeep: lawn?.upkeep ?? 'standard',
    property: {
      ...known,
      timeZone: known.timeZone ?? '',
      pets: seenAs(known.pets),
      children: seenAs(known.children),
    },
  };
}

/** The lawn as the form says it is; a new one has nothing measured yet. */
export const lawnOf = (
  read: PropertyRead,
  from: Lawn | null,
  { id, customerId, archived }: { id: string; customerId: string; archived: boolean },
): Lawn => ({
  ...(from ?? {
    id,
    version: 0,
    origin: null,
    northDeg: null,
    zones: [],
    patches: [],
    features: [],
    pins: [],
    lines: [],
    weedPatches: [],
    questions: [],
    choices: {},
    decisions: {},
    looks: {},
  }),
  name: read.name,
  customer: read.customer.name,
  customerId,
  archived,
  region: read.region,
  stationId: from?.region === read.region ? from.stationId : stationOf[read.region],
  upkeep: read.upkeep,
  property: read.property,
});
