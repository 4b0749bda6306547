import {
  propertySchema,
  regionSchema,
  upkeepSchema,
  type Customer,
  type CustomerBody,
  type Lawn,
  type Property,
  type Region,
  type Upkeep,
} from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useCustomers, useLawn, usePutCustomer, usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { useDraft } from '@/state/useDraft';
import {
  Button,
  Card,
  Choices,
  Failed,
  Field,
  focusFirstFault,
  Loading,
  Screen,
  SelectField,
  Title,
  Words,
} from '@/ui';
import { stationOf } from './stationOf';

const NEW_CUSTOMER = 'new';

interface Draft {
  customerId: string;
  customer: Pick<CustomerBody, 'name' | 'phone' | 'email' | 'language' | 'note'>;
  name: string;
  region: Region;
  upkeep: Upkeep;
  property: Property;
}

/** A customer and one of their properties: new, or to be changed. */
export function PropertyScreen({ lawnId }: { lawnId: string | null }) {
  const { t } = useTranslation();
  const lawn = useLawn(lawnId ?? '');
  const customers = useCustomers();
  const words = useFailureWords();
  const back = lawnId ? `/lawns/${lawnId}` : '/lawns';
  if ((lawnId && !lawn.data) || !customers.data) {
    const error = (lawnId && lawn.error) || customers.error;
    return (
      <Screen title={t('property.title')} back={back}>
        {error ? <Failed message={words(error)} /> : <Loading />}
      </Screen>
    );
  }
  return <Form lawn={lawn.data ?? null} customers={customers.data} back={back} />;
}

function draftOf(lawn: Lawn | null, customers: readonly Customer[]): Draft {
  const customer = customers.find(({ id }) => id === lawn?.customerId);
  return {
    customerId: customer?.id ?? NEW_CUSTOMER,
    customer: {
      name: customer?.name ?? lawn?.customer ?? '',
      phone: customer?.phone ?? '',
      email: customer?.email ?? '',
      language: customer?.language ?? 'en',
      note: customer?.note ?? '',
    },
    name: lawn?.name ?? '',
    region: lawn?.region ?? 'transition',
    upkeep: lawn?.upkeep ?? 'standard',
    property: lawn?.property ?? propertySchema.parse({}),
  };
}

function Form({
  lawn,
  customers,
  back,
}: {
  lawn: Lawn | null;
  customers: readonly Customer[];
  back: string;
}) {
  const { t } = useTranslation();
  const router = useRouter();
  const words = useFailureWords();
  const { draft, setDraft, from } = useDraft(lawn, (source) => draftOf(source, customers));
  const [tried, setTried] = useState(false);
  const [ids] = useState(() => ({ lawn: lawn?.id ?? uuid(), customer: uuid() }));
  const putCustomer = usePutCustomer();
  const putLawn = usePutLawn(ids.lawn);
  const set = (change: Partial<Draft>) => setDraft({ ...draft, ...change });
  const setCustomer = (change: Partial<Draft['customer']>) =>
    set({ customer: { ...draft.customer, ...change } });
  const setProperty = (change: Partial<Property>) =>
    set({ property: { ...draft.property, ...change } });
  const errors = {
    name: draft.name.trim() === '' ? t('property.needsName') : undefined,
    customer: draft.customer.name.trim() === '' ? t('property.needsCustomer') : undefined,
    email:
      draft.customer.email !== '' && !/^\S+@\S+\.\S+$/.test(draft.customer.email)
        ? t('property.badEmail')
        : undefined,
  };
  const error = (field: keyof typeof errors) => (tried ? errors[field] : undefined);
  const existing = customers.find(({ id }) => id === draft.customerId);
  const pick = (id: string) => {
    const chosen = customers.find((entry) => entry.id === id);
    set({
      customerId: id,
      customer: chosen
        ? {
            name: chosen.name,
            phone: chosen.phone,
            email: chosen.email,
            language: chosen.language,
            note: chosen.note,
          }
        : { name: '', phone: '', email: '', language: 'en', note: '' },
    });
  };
  const save = async (archived = lawn?.archived ?? false) => {
    setTried(true);
    if (Object.values(errors).some(Boolean)) return focusFirstFault();
    const customerId = existing?.id ?? ids.customer;
    await putCustomer.mutateAsync({
      id: customerId,
      body: { ...draft.customer, archived: existing?.archived ?? false },
    });
    const next: Lawn = {
      ...(from ?? {
        id: ids.lawn,
        version: 0,
        origin: null,
        zones: [],
        patches: [],
        features: [],
        pins: [],
        lines: [],
        weedPatches: [],
        questions: [],
        choices: {},
      }),
      name: draft.name.trim(),
      customer: draft.customer.name.trim(),
      customerId,
      archived,
      region: draft.region,
      stationId: lawn?.region === draft.region ? lawn.stationId : stationOf[draft.region],
      upkeep: draft.upkeep,
      property: draft.property,
    };
    await putLawn.mutateAsync(from ? { lawn: next, from } : next);
    router.replace(archived ? '/lawns' : `/lawns/${ids.lawn}`);
  };
  const failure = putCustomer.error ?? putLawn.error;
  const busy = putCustomer.isPending || putLawn.isPending;
  const choice = <Value extends string>(
    label: string,
    value: Value,
    options: readonly Value[],
    key: string,
    onChange: (next: Value) => void,
  ) => (
    <Choices
      label={label}
      value={value}
      options={options}
      nameOf={(option) => t(`property.${key}.${option as string}`)}
      onChange={onChange}
    />
  );
  const yesNo = (label: string, value: boolean | null, onChange: (next: boolean | null) => void) =>
    choice(
      label,
      value === null ? 'unknown' : value ? 'yes' : 'no',
      ['yes', 'no', 'unknown'] as const,
      'yesNo',
      (next) => onChange(next === 'unknown' ? null : next === 'yes'),
    );
  return (
    <Screen
      title={lawn ? t('property.title') : t('property.new')}
      subject={lawn?.name}
      lead={lawn?.name}
      back={back}
      footer={
        <>
          {failure ? <Failed message={words(failure)} /> : null}
          {tried && Object.values(errors).some(Boolean) ? (
            <Words weight="semi" tone="stop" role="alert">
              {t('property.fixFirst')}
            </Words>
          ) : null}
          <Button
            label={t('common.save')}
            onPress={() => void save().catch(() => undefined)}
            busy={busy ? t('common.loading') : null}
            testID="save-property"
            wide
          />
        </>
      }
    >
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-1">
          <Card>
            <Title>{t('property.customer')}</Title>
            <SelectField
              label={t('property.whose')}
              value={draft.customerId}
              options={[
                { value: NEW_CUSTOMER, label: t('property.newCustomer') },
                ...customers
                  .filter(({ archived, id }) => !archived || id === draft.customerId)
                  .map(({ id, name }) => ({ value: id, label: name })),
              ]}
              onChange={pick}
            />
            <Field
              label={t('property.customerName')}
              value={draft.customer.name}
              onChange={(name) => setCustomer({ name })}
              error={error('customer')}
              testID="customer-name"
            />
            <Field
              label={t('property.phone')}
              value={draft.customer.phone}
              onChange={(phone) => setCustomer({ phone })}
            />
            <Field
              label={t('property.email')}
              value={draft.customer.email}
              onChange={(email) => setCustomer({ email })}
              autoComplete="email"
              error={error('email')}
              testID="customer-email"
            />
            {choice(
              t('property.languageLabel'),
              draft.customer.language,
              ['en', 'es'],
              'language',
              (language) => setCustomer({ language }),
            )}
          </Card>
          <Card>
            <Title>{t('property.place')}</Title>
            <Field
              label={t('property.name')}
              hint={t('property.nameHint')}
              value={draft.name}
              onChange={(name) => set({ name })}
              error={error('name')}
              testID="property-name"
            />
            {choice(
              t('property.regionLabel'),
              draft.region,
              regionSchema.options,
              'region',
              (region) => set({ region }),
            )}
            <Field
              label={t('property.access')}
              hint={t('property.accessHint')}
              value={draft.property.access}
              onChange={(access) => setProperty({ access })}
              multiline
            />
          </Card>
        </View>
        <View className="gap-4 lg:flex-1">
          <Card>
            <Title>{t('property.wishes')}</Title>
            {choice(
              t('property.upkeepLabel'),
              draft.upkeep,
              upkeepSchema.options,
              'upkeep',
              (upkeep) => set({ upkeep }),
            )}
            {choice(
              t('property.intensityLabel'),
              draft.property.intensity,
              ['gentle', 'normal', 'hard'],
              'intensity',
              (intensity) => setProperty({ intensity }),
            )}
            <Field
              label={t('property.budget')}
              value={draft.property.budget}
              onChange={(budget) => setProperty({ budget })}
            />
          </Card>
          <Card>
            <Title>{t('property.care')}</Title>
            {choice(
              t('property.mowsLabel'),
              draft.property.mows,
              ['owner', 'service', 'us', 'unknown'],
              'mows',
              (mows) => setProperty({ mows }),
            )}
            {choice(
              t('property.watersLabel'),
              draft.property.waters,
              ['owner', 'system', 'nobody', 'unknown'],
              'waters',
              (waters) => setProperty({ waters }),
            )}
          </Card>
          <Card>
            <Title>{t('property.caution')}</Title>
            {yesNo(t('property.pets'), draft.property.pets, (pets) => setProperty({ pets }))}
            {yesNo(t('property.children'), draft.property.children, (children) =>
              setProperty({ children }),
            )}
            {choice(
              t('property.waterNearLabel'),
              draft.property.waterNear,
              ['none', 'pond-or-stream', 'well', 'unknown'],
              'waterNear',
              (waterNear) => setProperty({ waterNear }),
            )}
            {draft.property.waterNear === 'pond-or-stream' ||
            draft.property.waterNear === 'well' ? (
              <Words size="note" weight="semi" tone="caution">
                {t('property.waterCaution')}
              </Words>
            ) : null}
            <Field
              label={t('property.neighbours')}
              hint={t('property.neighboursHint')}
              value={draft.property.sensitiveNeighbours}
              onChange={(sensitiveNeighbours) => setProperty({ sensitiveNeighbours })}
            />
          </Card>
          {lawn ? (
            <Button
              kind="plain"
              label={lawn.archived ? t('property.unarchive') : t('property.archive')}
              onPress={() => void save(!lawn.archived).catch(() => undefined)}
              testID="archive"
            />
          ) : null}
        </View>
      </View>
    </Screen>
  );
}
