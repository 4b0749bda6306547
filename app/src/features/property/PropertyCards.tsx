import {
  propertySchema,
  regionSchema,
  TIME_ZONES,
  upkeepSchema,
  type Customer,
} from '@alfombra/core';
import {
  useController,
  useWatch,
  type Control,
  type FieldPathByValue,
  type UseFormReturn,
} from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { Card, FormChoices, FormField, SelectField, Title, Words } from '@/ui';
import {
  customerDraft,
  NEW_CUSTOMER,
  type PropertyDraft,
  type PropertyRead,
} from './propertyDraft';
import { WeekdaysField } from './WeekdaysField';

type Fields = Control<PropertyDraft, unknown, PropertyRead>;
const { mows, waters, waterAt, intensity, waterNear } = propertySchema.shape;
const SEEN = ['yes', 'no', 'unknown'] as const;

/** One of a few words of the form, named in the catalogs after `words`. */
function OneOf<Value extends string>({
  control,
  name,
  label,
  words,
  options,
}: {
  control: Fields;
  name: FieldPathByValue<PropertyDraft, Value>;
  label: string;
  words: string;
  options: readonly Value[];
}) {
  const { t } = useTranslation();
  return (
    <FormChoices
      control={control}
      name={name as never}
      label={label}
      options={options}
      nameOf={(option: Value) => t(`property.${words}.${option as string}`)}
    />
  );
}

/** Whose it is: one on file, or a new one. */
export function CustomerCard({
  form: { control, setValue },
  customers,
}: {
  form: UseFormReturn<PropertyDraft, unknown, PropertyRead>;
  customers: readonly Customer[];
}) {
  const { t } = useTranslation();
  const customerId = useWatch({ control, name: 'customerId' });
  const pick = (id: string) => {
    setValue('customerId', id);
    setValue('customer', customerDraft(customers.find((entry) => entry.id === id)));
  };
  return (
    <Card>
      <Title>{t('property.customer')}</Title>
      <SelectField
        label={t('property.whose')}
        value={customerId}
        options={[
          { value: NEW_CUSTOMER, label: t('property.newCustomer') },
          ...customers
            .filter(({ archived, id }) => !archived || id === customerId)
            .map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={pick}
      />
      <FormField
        control={control}
        name="customer.name"
        label={t('property.customerName')}
        testID="customer-name"
      />
      <FormField control={control} name="customer.phone" label={t('property.phone')} />
      <FormField
        control={control}
        name="customer.email"
        label={t('property.email')}
        autoComplete="email"
        testID="customer-email"
      />
      <OneOf
        control={control}
        name="customer.language"
        label={t('property.languageLabel')}
        words="language"
        options={['en', 'es']}
      />
    </Card>
  );
}

/** Where it is and how one gets in. */
export function PlaceCard({ control }: { control: Fields }) {
  const { t } = useTranslation();
  const timeZone = useController({ control, name: 'property.timeZone' }).field;
  return (
    <Card>
      <Title>{t('property.place')}</Title>
      <FormField
        control={control}
        name="name"
        label={t('property.name')}
        hint={t('property.nameHint')}
        testID="property-name"
      />
      <OneOf
        control={control}
        name="region"
        label={t('property.regionLabel')}
        words="region"
        options={regionSchema.options}
      />
      <SelectField
        label={t('property.timeZoneLabel')}
        value={timeZone.value}
        options={['', ...TIME_ZONES].map((zone) => ({
          value: zone,
          label: t(`property.timeZone.${zone || 'company'}`),
        }))}
        onChange={timeZone.onChange}
      />
      <FormField
        control={control}
        name="property.access"
        label={t('property.access')}
        hint={t('property.accessHint')}
        multiline
      />
    </Card>
  );
}

/** What the customer wants and may spend. */
export function WishesCard({ control }: { control: Fields }) {
  const { t } = useTranslation();
  return (
    <Card>
      <Title>{t('property.wishes')}</Title>
      <OneOf
        control={control}
        name="upkeep"
        label={t('property.upkeepLabel')}
        words="upkeep"
        options={upkeepSchema.options}
      />
      <OneOf
        control={control}
        name="property.intensity"
        label={t('property.intensityLabel')}
        words="intensity"
        options={intensity.unwrap().options}
      />
      <FormField control={control} name="property.budget" label={t('property.budget')} />
    </Card>
  );
}

/** Who mows and who waters, and when. */
export function CareCard({ control }: { control: Fields }) {
  const { t } = useTranslation();
  const mowDays = useController({ control, name: 'property.mowDays' }).field;
  const waterDays = useController({ control, name: 'property.waterDays' }).field;
  return (
    <Card>
      <Title>{t('property.care')}</Title>
      <OneOf
        control={control}
        name="property.mows"
        label={t('property.mowsLabel')}
        words="mows"
        options={mows.unwrap().options}
      />
      <WeekdaysField
        label={t('property.mowDays')}
        value={mowDays.value}
        onChange={mowDays.onChange}
      />
      <OneOf
        control={control}
        name="property.waters"
        label={t('property.watersLabel')}
        words="waters"
        options={waters.unwrap().options}
      />
      <WeekdaysField
        label={t('property.waterDays')}
        value={waterDays.value}
        onChange={waterDays.onChange}
      />
      <OneOf
        control={control}
        name="property.waterAt"
        label={t('property.waterAtLabel')}
        words="waterAt"
        options={waterAt.unwrap().options}
      />
    </Card>
  );
}

/** Who is on the lawn, and what is beside it. */
export function CautionCard({ control }: { control: Fields }) {
  const { t } = useTranslation();
  const near = useWatch({ control, name: 'property.waterNear' });
  return (
    <Card>
      <Title>{t('property.caution')}</Title>
      {(['pets', 'children'] as const).map((who) => (
        <OneOf
          key={who}
          control={control}
          name={`property.${who}`}
          label={t(`property.${who}`)}
          words="yesNo"
          options={SEEN}
        />
      ))}
      <OneOf
        control={control}
        name="property.waterNear"
        label={t('property.waterNearLabel')}
        words="waterNear"
        options={waterNear.unwrap().options}
      />
      {near === 'pond-or-stream' || near === 'well' ? (
        <Words size="note" weight="semi" tone="caution">
          {t('property.waterCaution')}
        </Words>
      ) : null}
      <FormField
        control={control}
        name="property.sensitiveNeighbours"
        label={t('property.neighbours')}
        hint={t('property.neighboursHint')}
      />
    </Card>
  );
}
