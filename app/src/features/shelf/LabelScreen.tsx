import { fertilizers, herbicides, treatments, type ShelfLabel } from '@alfombra/core';
import { labelOddities } from '@alfombra/core/judging';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useFailureWords } from '@/api/useFailureWords';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Card, Failed, Loading, Screen, SelectField, Title, Words } from '@/ui';
import {
  FeedCard,
  NameCard,
  RatesCard,
  StoreCard,
  WhenCard,
  WhereCard,
  type LabelKind,
} from './LabelCards';
import { draftOfLabel, labelFormSchema, newDraft, readLabel, type LabelDraft } from './readLabel';
import { entryName, seedEntries } from './seedEntries';
import { useShelf } from './useShelf';

/** One label of the shelf: typed once, held against the library, and from then on outranking it. */
export function LabelScreen({ labelId, base }: { labelId: string; base: string | null }) {
  const { t } = useTranslation();
  const shelf = useShelf();
  const known = shelf.labels.find(({ id }) => id === labelId);
  if (!shelf.ready) {
    return (
      <Screen title={t('shelf.title')} dye="indigo">
        <Loading />
      </Screen>
    );
  }
  return <Form key={labelId} shelf={shelf} known={known ?? null} base={base ?? ''} />;
}

function Form({
  shelf,
  known,
  base,
}: {
  shelf: ReturnType<typeof useShelf>;
  known: ShelfLabel | null;
  base: string;
}) {
  const { t } = useTranslation();
  const router = useRouter();
  const words = useFailureWords();
  const nameOf = (kind: string, slug: string) => entryName(t, { kind, slug });
  const [id] = useState(() => known?.id ?? uuid());
  const { form, unsaved, done, discard } = useDraftForm({
    key: `label:${known?.id ?? `new:${base}`}`,
    source: known,
    make: (source): LabelDraft => (source ? draftOfLabel(source) : newDraft(base, nameOf)),
    schema: labelFormSchema(id),
  });
  const { control } = form;
  const draft = useWatch({ control }) as LabelDraft;
  const kind = (draft.base.split(':')[0] ?? '') as LabelKind;
  const back = '/guide/shelf';
  const save = form.handleSubmit((label) =>
    shelf.keep(label, () => {
      done();
      router.push(back);
    }),
  );
  return (
    <Screen
      title={known ? known.name : t('shelf.newTitle')}
      lead={t('shelf.formLead')}
      dye="indigo"
      back={back}
      footer={
        shelf.mayChange ? (
          <>
            {shelf.error ? <Failed message={words(shelf.error)} /> : null}
            <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
            <Button
              label={t('shelf.keep')}
              busy={shelf.busy ? t('common.loading') : null}
              onPress={() => void save()}
              testID="keep-label"
              wide
            />
          </>
        ) : (
          <Words tone="second">{t('shelf.ownerOnly')}</Words>
        )
      }
    >
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-1">
          <NameCard control={control}>
            <BaseField
              base={draft.base}
              onChange={(value) =>
                known ? form.setValue('base', value) : form.reset(newDraft(value, nameOf))
              }
            />
          </NameCard>
          <RatesCard control={control} kind={kind} />
          <FeedCard control={control} kind={kind} />
        </View>
        <View className="gap-4 lg:flex-1">
          <Oddities label={readLabel(draft, id).label} />
          {kind === 'seed' ? null : <WhereCard control={control} />}
          {kind === 'seed' || kind === 'fertilizer' ? null : <WhenCard control={control} />}
          <StoreCard
            control={control}
            onRemove={
              known && shelf.mayChange
                ? () => shelf.remove(known.id, () => router.push(back))
                : undefined
            }
          />
        </View>
      </View>
    </Screen>
  );
}

/** The library's entry that a label is of. */
function BaseField({ base, onChange }: { base: string; onChange: (base: string) => void }) {
  const { t } = useTranslation();
  const options = [
    ...herbicides
      .filter(({ unit }) => unit !== 'dose')
      .map(({ slug }) => ({ kind: 'herbicide', slug })),
    ...treatments.map(({ slug }) => ({ kind: 'treatment', slug })),
    ...fertilizers.map(({ slug }) => ({ kind: 'fertilizer', slug })),
    ...seedEntries(),
  ]
    .map((entry) => ({ value: `${entry.kind}:${entry.slug}`, label: entryName(t, entry) }))
    .sort((a, b) => a.label.localeCompare(b.label));
  return (
    <SelectField
      label={t('shelf.field.base')}
      value={base}
      options={[{ value: '', label: t('shelf.noBase') }, ...options]}
      onChange={onChange}
    />
  );
}

/** Where a label differs from the library by more than labels do. */
function Oddities({ label }: { label: ShelfLabel | null }) {
  const { t } = useTranslation();
  const odd = label ? labelOddities(label) : [];
  if (odd.length === 0) return null;
  return (
    <Card tone="caution" testID="label-oddities">
      <Title>{t('shelf.oddTitle')}</Title>
      {odd.map(({ rule, field, inputs }) => (
        <Words key={`${rule}-${field}`}>
          {t(`labelOdd.${rule}`, {
            ...inputs,
            ...(typeof inputs.grasses === 'string'
              ? {
                  grasses: inputs.grasses
                    .split(' ')
                    .map((slug) => t(`grass.${slug}`))
                    .join(', '),
                }
              : {}),
          })}
        </Words>
      ))}
    </Card>
  );
}
