import { weed, weeds, yearsPresent, type WeedPatch } from '@alfombra/core';
import { useState } from 'react';
import { useController, useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useCompany } from '@/api/queries';
import { useDraftForm } from '@/state/useDraftForm';
import {
  Button,
  Chip,
  Field,
  FormChoices,
  FormNumber,
  FormPicker,
  number,
  Sheet,
  typedNumber,
  Words,
} from '@/ui';
import { AskColleague } from './AskColleague';
import {
  newWeedPatchKey,
  weedPatchDraft,
  weedPatchFormSchema,
  weedPatchOf,
  type NewWeedPatch,
} from './weedPatchDraft';

const STAGES = ['seedling', 'untillered', '2-4-tiller', 'mature-seeded', 'flowering'] as const;
const CATEGORIES = ['sedge', 'broadleaf', 'grassy'] as const;
const MOST_FOUND = 6;

/** A weed patch: its name or only its kind, size, cover and stage. */
export function WeedPatchSheet({
  patch,
  zone,
  lawnId,
  draftKey,
  onClose,
  onKeep,
  onRemove,
}: {
  patch: NewWeedPatch | null;
  /** Name of the zone that was touched. */
  zone: string;
  lawnId: string;
  /** Where a new patch is drawn; a half described one is kept under it. */
  draftKey: string;
  onClose: () => void;
  onKeep: (patch: WeedPatch) => void;
  onRemove: (id: string) => void;
}) {
  const { t } = useTranslation();
  return (
    <Sheet open={patch !== null} title={t('plan.weedPatchIn', { zone })} onClose={onClose}>
      {patch ? (
        <Form
          key={patch.id}
          patch={patch}
          lawnId={lawnId}
          draftKey={draftKey}
          onKeep={onKeep}
          onRemove={onRemove}
        />
      ) : null}
    </Sheet>
  );
}

function Form({
  patch,
  lawnId,
  draftKey,
  onKeep,
  onRemove,
}: {
  patch: NewWeedPatch;
  lawnId: string;
  draftKey: string;
  onKeep: (patch: WeedPatch) => void;
  onRemove: (id: string) => void;
}) {
  const { t } = useTranslation();
  const { form, from, unsaved, done, discard } = useDraftForm({
    key: newWeedPatchKey(draftKey),
    source: patch,
    make: weedPatchDraft,
    schema: weedPatchFormSchema,
  });
  const { control } = form;
  const today = useCompany().data?.today ?? patch.seenOn;
  const plant = useController({ control, name: 'plant' });
  const ask = useController({ control, name: 'ask' }).field;
  // Who says the name has answered the question.
  const name = (value: WeedPatch['plant']) => {
    plant.field.onChange(value);
    if (value.kind === 'weed') ask.onChange(false);
  };
  const width = typedNumber(useWatch({ control, name: 'width' }));
  const [query, setQuery] = useState('');
  const chosen = plant.field.value;
  const named = chosen?.kind === 'weed' ? chosen.weed : null;
  const found =
    query.trim() === ''
      ? []
      : weeds
          .filter(({ slug }) =>
            t(`weed.${slug}`).toLowerCase().includes(query.trim().toLowerCase()),
          )
          .slice(0, MOST_FOUND);
  const annual = named !== null && (weed(named)?.lifeCycle ?? '').includes('annual');
  const years = width && width > 0 && !annual ? yearsPresent(width, spreadOf(named)) : null;
  const keep = form.handleSubmit((read) => {
    done();
    onKeep(weedPatchOf(from, read, today));
  });
  return (
    <>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label={t('plan.whatGrows')}>
        {CATEGORIES.map((category) => (
          <Chip
            key={category}
            label={t(`plan.category.${category}`)}
            chosen={chosen?.kind === 'category' && chosen.category === category}
            onPress={() => name({ kind: 'category', category })}
          />
        ))}
        {named ? <Chip label={t(`weed.${named}`)} chosen onPress={() => undefined} /> : null}
      </View>
      {plant.fieldState.error?.message ? (
        <Words size="note" weight="semi" tone="stop" role="alert">
          {t(plant.fieldState.error.message)}
        </Words>
      ) : null}
      <Field label={t('plan.findWeed')} value={query} onChange={setQuery} testID="patch-weed" />
      {found.map(({ slug }) => (
        <Button
          key={slug}
          kind="plain"
          label={t(`weed.${slug}`)}
          onPress={() => {
            name({ kind: 'weed', weed: slug, confidence: null });
            setQuery('');
          }}
        />
      ))}
      {named && patch.plant?.kind === 'weed' && patch.plant.confidence !== null ? (
        <Button
          kind="plain"
          label={t('plan.iKnowIt', { weed: t(`weed.${named}`) })}
          onPress={() => name({ kind: 'weed', weed: named, confidence: null })}
        />
      ) : null}
      <AskColleague control={control} patch={patch} lawnId={lawnId} today={today} />
      <View className="flex-row flex-wrap gap-2">
        {(['length', 'width'] as const).map((side) => (
          <View key={side} className="min-w-[100px] flex-1">
            <FormNumber control={control} name={side} label={t(`plan.patch.${side}`)} unit="ft" />
          </View>
        ))}
        <View className="min-w-[100px] flex-1">
          <FormNumber control={control} name="cover" label={t('plan.patch.cover')} unit="%" />
        </View>
      </View>
      {annual ? (
        <Words size="note" tone="second">
          {t('plan.annual')}
        </Words>
      ) : years ? (
        <Words size="note" tone="second">
          {years[0] === years[1]
            ? t('plan.yearsAbout', { count: years[0], years: number(years[0]) })
            : t('plan.years', { low: number(years[0]), high: number(years[1]) })}
        </Words>
      ) : null}
      <FormChoices
        control={control}
        name="stage"
        label={t('plan.stageLabel')}
        options={STAGES}
        nameOf={(stage: (typeof STAGES)[number]) => t(`plan.stage.${stage}`)}
      />
      <FormPicker
        control={control}
        name="lookAgainOn"
        type="date"
        label={t('plan.lookAgain')}
        hint={t('plan.lookAgainHint')}
        min={patch.seenOn}
      />
      <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
      <Button label={t('common.save')} onPress={() => void keep()} testID="keep-patch" />
      <Button
        kind="quiet"
        label={t('plan.takeAway')}
        onPress={() => {
          done();
          onRemove(patch.id);
        }}
      />
    </>
  );
}

/** How a weed spreads, as far as its category tells. */
function spreadOf(slug: string | null): Parameters<typeof yearsPresent>[1] {
  const category = slug ? weed(slug)?.category : undefined;
  if (category === 'sedge') return 'tuber';
  if (slug === 'bermuda-common' || category === 'contaminant-turf') return 'rhizome|stolon';
  if (category === 'grassy-perennial') return 'clump';
  return 'stolon';
}
