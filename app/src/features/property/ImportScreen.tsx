import { lawnBodySchema, type Customer } from '@alfombra/core';
import type { ImportedProperty } from '@alfombra/core/exchange';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useCustomers, useLawns, usePutCustomer, usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { Button, Card, Failed, Field, LinkButton, Screen, Title, Words } from '@/ui';
import { FileButton } from './FileButton';
import { stationOf } from './stationOf';
import { useExchange } from './useExchange';

const EXAMPLE = 'customer,phone,property,upkeep,mows,pets';

/** A customer list from a file: read, shown with the fault of each line, and taken on a word. */
export function ImportScreen() {
  const { t } = useTranslation();
  const words = useFailureWords();
  const lawns = useLawns();
  const customers = useCustomers();
  const putCustomer = usePutCustomer();
  const putLawn = usePutLawn('');
  const [text, setText] = useState('');
  const [taken, setTaken] = useState<number | null>(null);
  const [busy, setBusy] = useState(false);
  const [failure, setFailure] = useState<unknown>(null);
  const formats = useExchange();
  const read =
    !formats || text.trim() === ''
      ? null
      : formats.parseCustomersCsv(
          text,
          'transition',
          (lawns.data ?? []).map(({ name }) => name),
        );
  const take = async () => {
    if (!read) return;
    setBusy(true);
    setFailure(null);
    try {
      await takeProperties(
        read.properties,
        customers.data ?? [],
        putCustomer.mutateAsync,
        putLawn.mutateAsync,
      );
      setTaken(read.properties.length);
      setText('');
    } catch (error) {
      setFailure(error);
    }
    setBusy(false);
  };
  return (
    <Screen
      title={t('import.title')}
      lead={t('import.lead')}
      back="/lawns"
      footer={
        read && read.properties.length > 0 ? (
          <>
            {failure ? <Failed message={words(failure)} /> : null}
            <Button
              label={t('import.take', { count: read.properties.length })}
              onPress={() => void take()}
              busy={busy ? t('common.loading') : null}
              testID="take-import"
              wide
            />
          </>
        ) : undefined
      }
    >
      {taken === null ? null : (
        <Card tone="panel">
          <Words weight="bold" tone="good" role="status">
            {t('import.taken', { count: taken })}
          </Words>
          <LinkButton kind="plain" label={t('lawns.title')} href="/lawns" />
        </Card>
      )}
      <FileButton
        label={t('import.choose')}
        accept=".csv,text/csv"
        onText={(content) => {
          setTaken(null);
          setText(content);
        }}
      />
      <Field
        label={t('import.paste')}
        hint={t('import.columns', { example: EXAMPLE })}
        value={text}
        onChange={setText}
        multiline
        testID="import-text"
      />
      {read && read.errors.length > 0 ? (
        <Card tone="stop" testID="import-errors">
          <Title>{t('import.errors', { count: read.errors.length })}</Title>
          {read.errors.map(({ row, column, message }) => (
            <Words key={`${row}-${column}-${message}`}>
              {column
                ? t('import.errorAt', { row, column, message })
                : t('import.error', { row, message })}
            </Words>
          ))}
        </Card>
      ) : null}
      {read && read.properties.length > 0 ? (
        <Card testID="import-preview">
          <Title>{t('import.preview', { count: read.properties.length })}</Title>
          {read.properties.map(({ row, customer, property }) => (
            <View key={row} className="border-b-2 border-line pb-2">
              <Words weight="semi">{property.name}</Words>
              <Words size="note" tone="second">
                {[
                  customer.name,
                  t(`property.upkeep.${property.upkeep}`),
                  t(`property.region.${property.region}`),
                ].join(' · ')}
              </Words>
            </View>
          ))}
        </Card>
      ) : null}
    </Screen>
  );
}

/** Writes each customer once and each of their properties; a known customer keeps their id. */
async function takeProperties(
  properties: readonly ImportedProperty[],
  known: readonly Customer[],
  putCustomer: ReturnType<typeof usePutCustomer>['mutateAsync'],
  putLawn: ReturnType<typeof usePutLawn>['mutateAsync'],
): Promise<void> {
  const ids = new Map(known.map(({ name, id }) => [name.toLowerCase(), id]));
  for (const { customer, property } of properties) {
    const key = customer.name.toLowerCase();
    let customerId = ids.get(key);
    if (!customerId) {
      customerId = uuid();
      ids.set(key, customerId);
      await putCustomer({ id: customerId, body: customer });
    }
    const body = lawnBodySchema.parse({
      ...property,
      customer: customer.name,
      customerId,
      stationId: stationOf[property.region],
      zones: [],
    });
    await putLawn({ ...body, id: uuid(), version: 0 });
  }
}
