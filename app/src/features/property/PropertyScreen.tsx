import { type Customer, type Lawn } from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useCustomers, useLawn, usePutCustomer, usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Failed, Loading, Screen } from '@/ui';
import { AgreementCard } from './AgreementCard';
import { CareCard, CautionCard, CustomerCard, PlaceCard, WishesCard } from './PropertyCards';
import { lawnOf, propertyDraft, propertyFormSchema, type PropertyRead } from './propertyDraft';

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
  const { form, from, unsaved, done, discard } = useDraftForm({
    key: `property:${lawn?.id ?? 'new'}`,
    source: lawn,
    make: (source) => propertyDraft(source, customers),
    schema: propertyFormSchema,
  });
  const { control } = form;
  const [ids] = useState(() => ({ lawn: lawn?.id ?? uuid(), customer: uuid() }));
  const putCustomer = usePutCustomer();
  const putLawn = usePutLawn(ids.lawn);
  const keep = async (read: PropertyRead, archived: boolean) => {
    const existing = customers.find(({ id }) => id === read.customerId);
    const customerId = existing?.id ?? ids.customer;
    await putCustomer.mutateAsync({
      id: customerId,
      body: { ...read.customer, archived: existing?.archived ?? false },
    });
    const next = lawnOf(read, from, { id: ids.lawn, customerId, archived });
    await putLawn.mutateAsync(from ? { lawn: next, from } : next);
    done();
    router.replace(archived ? '/lawns' : `/lawns/${ids.lawn}`);
  };
  const save = (archived: boolean) =>
    // A write that failed says so itself, below.
    void form.handleSubmit((read) => keep(read, archived).catch(() => undefined))();
  const failure = putCustomer.error ?? putLawn.error;
  const busy = putCustomer.isPending || putLawn.isPending;
  return (
    <Screen
      title={lawn ? t('property.title') : t('property.new')}
      subject={lawn?.name}
      lead={lawn?.name}
      back={back}
      footer={
        <>
          {failure ? <Failed message={words(failure)} /> : null}
          <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
          <Button
            label={t('common.save')}
            onPress={() => save(lawn?.archived ?? false)}
            busy={busy ? t('common.loading') : null}
            testID="save-property"
            wide
          />
        </>
      }
    >
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-1">
          <CustomerCard form={form} customers={customers} />
          <PlaceCard control={control} />
        </View>
        <View className="gap-4 lg:flex-1">
          <WishesCard control={control} />
          <AgreementCard control={control} />
          <CareCard control={control} />
          <CautionCard control={control} />
          {lawn ? (
            <Button
              kind="plain"
              label={lawn.archived ? t('property.unarchive') : t('property.archive')}
              onPress={() => save(!lawn.archived)}
              testID="archive"
            />
          ) : null}
        </View>
      </View>
    </Screen>
  );
}
