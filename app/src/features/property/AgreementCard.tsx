import { SERVICES, type Service } from '@alfombra/core';
import { useController, useWatch, type Control } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { Card, FormChoices, PickerField, SelectField, Title, Words } from '@/ui';
import { WHO, type PropertyDraft, type PropertyRead } from './propertyDraft';

type Fields = Control<PropertyDraft, unknown, PropertyRead>;

/** What was agreed with the customer, and who does it; work outside it is offered and never due. */
export function AgreementCard({ control }: { control: Fields }) {
  const { t } = useTranslation();
  const kind = useWatch({ control, name: 'agreement.kind' });
  return (
    <Card>
      <Title>{t('agreement.title')}</Title>
      <FormChoices
        control={control}
        name="agreement.kind"
        label={t('agreement.kindLabel')}
        options={['all', 'some'] as const}
        nameOf={(option) => t(`agreement.kind.${option}`)}
      />
      {kind === 'some' ? (
        <>
          <Words size="note" tone="second">
            {t('agreement.lead')}
          </Words>
          {SERVICES.map((service) => (
            <ServiceField key={service} control={control} service={service} />
          ))}
          <DayField control={control} edge="from" />
          <DayField control={control} edge="to" />
        </>
      ) : null}
    </Card>
  );
}

function ServiceField({ control, service }: { control: Fields; service: Service }) {
  const { t } = useTranslation();
  const { field } = useController({ control, name: `agreement.who.${service}` });
  return (
    <SelectField
      label={t(`agreement.service.${service}`)}
      value={field.value}
      options={WHO.map((who) => ({ value: who, label: t(`agreement.who.${who}`) }))}
      onChange={field.onChange}
    />
  );
}

function DayField({ control, edge }: { control: Fields; edge: 'from' | 'to' }) {
  const { t } = useTranslation();
  const { field, fieldState } = useController({ control, name: `agreement.${edge}` });
  return (
    <PickerField
      type="date"
      label={t(`agreement.${edge}`)}
      value={field.value}
      onChange={field.onChange}
      error={fieldState.error?.message ? t(fieldState.error.message) : undefined}
      fieldRef={field.ref}
    />
  );
}
