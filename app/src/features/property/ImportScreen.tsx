import { lawnBodySchema, type Customer } from '@alfombra/core';
import type { ImportedProperty } from '@alfombra/core/exchange';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useCustomers, useLawns, useWriteAll } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { useOutboxStore } from '@/state/sync/outboxStore';
import { Button, Card, Failed, Field, LinkButton, Screen, Title, Words } from '@/ui';
import { FileButton } from './FileButton';
import { stationOf } from './stationOf';
import { useExchange } from './useExchange';

const EXAMPLE = 'customer,phone,property,upkeep,mows,pets';
/** Some ten thousand lines; a longer file is none of customers. */
const MOST_LETTERS = 2_000_000;
/** Lines shown of what is right, and of what is wrong. */
const MOST_SHOWN = 50;

/** A customer list from a file: read, shown with the fault of each line, and taken on a word. */
export function ImportScreen() {
  const { t } = useTranslation();
  const words = useFailureWords();
  const lawns = useLawns();
  const customers = useCustomers();
  const writeAll = useWriteAll();
  const [text, setText] = useState('');
  const [taken, setTaken] = useState<ReadonlySet<string> | null>(null);
  const formats = useExchange();
  const tooLong = text.length > MOST_LETTERS;
  const known = lawns.data;
  const read = useMemo(
    () =>
      !formats || text.trim() === '' || tooLong
        ? null
        : formats.parseCustomersCsv(
            text,
            'transition',
            (known ?? []).map(({ name }) => name),
          ),
    [formats, text, tooLong, known],
  );
  const take = () => {
    if (!read || !formats) return;
    const written = propertiesOf(read.properties, customers.data ?? [], formats.customersOf);
    writeAll.mutate(written, {
      onSuccess: () => {
        setTaken(new Set(written.filter(({ kind }) => kind === 'lawn').map(({ id }) => id)));
        setText('');
      },
    });
  };
  return (
    <Screen
      title={t('import.title')}
      lead={t('import.lead')}
      back="/lawns"
      footer={
        read && read.properties.length > 0 ? (
          <>
            {writeAll.error ? <Failed message={words(writeAll.error)} /> : null}
            <Button
              label={t('import.take', { count: read.properties.length })}
              onPress={take}
              busy={writeAll.isPending ? t('common.loading') : null}
              testID="take-import"
              wide
            />
          </>
        ) : undefined
      }
    >
      {taken === null ? null : <Taken ids={taken} />}
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
        error={tooLong ? t('import.tooLong') : undefined}
        testID="import-text"
      />
      {read && read.errors.length > 0 ? (
        <Card tone="stop" testID="import-errors">
          <Title>{t('import.errors', { count: read.errors.length })}</Title>
          {read.errors.slice(0, MOST_SHOWN).map(({ row, column, message }) => (
            <Words key={`${row}-${column}-${message}`}>
              {column
                ? t('import.errorAt', { row, column, message })
                : t('import.error', { row, message })}
            </Words>
          ))}
          <More count={read.errors.length - MOST_SHOWN} />
        </Card>
      ) : null}
      {read && read.properties.length > 0 ? (
        <Card testID="import-preview">
          <Title>{t('import.preview', { count: read.properties.length })}</Title>
          {read.properties.slice(0, MOST_SHOWN).map(({ row, customer, property }) => (
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
          <More count={read.properties.length - MOST_SHOWN} />
        </Card>
      ) : null}
    </Screen>
  );
}

function More({ count }: { count: number }) {
  const { t } = useTranslation();
  return count > 0 ? <Words tone="second">{t('import.more', { count })}</Words> : null;
}

/** How much of what was taken has reached the server; the page may be left, or killed, meanwhile. */
function Taken({ ids }: { ids: ReadonlySet<string> }) {
  const { t } = useTranslation();
  const left = useOutboxStore(({ writes }) => writes.filter(({ id }) => ids.has(id)).length);
  return (
    <Card tone="panel">
      <Words weight="bold" tone="good" role="status">
        {t('import.taken', { count: ids.size })}
      </Words>
      <Words tone="second" role="status">
        {left === 0 ? t('import.sent') : t('import.sending', { done: ids.size - left, left })}
      </Words>
      <LinkButton kind="plain" label={t('lawns.title')} href="/lawns" />
    </Card>
  );
}

/** Each customer once, and each of their properties; who is on file keeps their id. */
function propertiesOf(
  lines: readonly ImportedProperty[],
  known: readonly Customer[],
  customersOf: typeof import('@alfombra/core/exchange').customersOf,
) {
  return customersOf(lines, known).flatMap(({ known: onFile, customer, properties }) => {
    const customerId = onFile?.id ?? uuid();
    return [
      ...(onFile ? [] : [{ kind: 'customer' as const, id: customerId, body: customer }]),
      ...properties.map((property) => ({
        kind: 'lawn' as const,
        id: uuid(),
        body: lawnBodySchema.parse({
          ...property,
          customer: customer.name,
          customerId,
          stationId: stationOf[property.region],
          zones: [],
        }),
      })),
    ];
  });
}
