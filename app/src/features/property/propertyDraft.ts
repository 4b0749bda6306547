import {
  propertySchema,
  SERVICES,
  type Agreement,
  type Service,
  localDateSchema,
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

/** Who does a service, or that nobody has bought it. */
export const WHO = ['us', 'customer', 'other', 'offer'] as const;
type Who = (typeof WHO)[number];
type Services = Record<Service, Who>;

const services = <Value>(of: (service: Service) => Value) =>
  Object.fromEntries(SERVICES.map((service) => [service, of(service)])) as Record<Service, Value>;

const day = z.union([z.literal(''), localDateSchema], 'property.badDay');

/** What was agreed, a service a line; a fault is a key of the catalogs. */
const agreementFormSchema = z
  .object({
    kind: z.enum(['all', 'some']),
    who: z.record(z.enum(SERVICES), z.enum(WHO)),
    from: day,
    to: day,
  })
  .refine(({ from, to }) => !from || !to || from <= to, {
    path: ['to'],
    message: 'property.endsBefore',
  })
  .transform(({ kind, who, from, to }): Agreement | null =>
    kind === 'all'
      ? null
      : {
          services: SERVICES.filter((service) => who[service] !== 'offer'),
          doneBy: Object.fromEntries(
            SERVICES.flatMap((service) =>
              who[service] === 'customer' || who[service] === 'other'
                ? [[service, who[service]]]
                : [],
            ),
          ),
          ...(from ? { from } : {}),
          ...(to ? { to } : {}),
        },
  );

function agreementDraft(agreed: Agreement | null): z.input<typeof agreementFormSchema> {
  const who = (service: Service): Who =>
    !agreed ? 'us' : agreed.services.includes(service) ? (agreed.doneBy[service] ?? 'us') : 'offer';
  return {
    kind: agreed ? 'some' : 'all',
    who: services(who) satisfies Services,
    from: agreed?.from ?? '',
    to: agreed?.to ?? '',
  };
}

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
  agreement: agreementFormSchema,
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
    agreement: agreementDraft(lawn?.agreement ?? null),
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
    handDone: {},
  }),
  name: read.name,
  customer: read.customer.name,
  customerId,
  archived,
  region: read.region,
  stationId: from?.region === read.region ? from.stationId : stationOf[read.region],
  upkeep: read.upkeep,
  property: read.property,
  agreement: read.agreement,
});
