import { weed, weeds, yearsPresent, type WeedPatch } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import {
  Button,
  Chip,
  Field,
  focusFirstFault,
  number,
  NumberField,
  numberText,
  PickerField,
  Sheet,
  typedNumber,
  Words,
} from '@/ui';

const STAGES = ['seedling', 'untillered', '2-4-tiller', 'mature-seeded', 'flowering'] as const;
const CATEGORIES = ['sedge', 'broadleaf', 'grassy'] as const;
const MOST_FOUND = 6;

/** A weed patch: its name or only its kind, size, cover and stage. */
export function WeedPatchSheet({
  patch,
  onClose,
  onKeep,
  onRemove,
}: {
  patch: WeedPatch | null;
  onClose: () => void;
  onKeep: (patch: WeedPatch) => void;
  onRemove: (patch: WeedPatch) => void;
}) {
  const { t } = useTranslation();
  return (
    <Sheet open={patch !== null} title={t('plan.weedPatch')} onClose={onClose}>
      {patch ? <Form key={patch.id} patch={patch} onKeep={onKeep} onRemove={onRemove} /> : null}
    </Sheet>
  );
}

function Form({
  patch,
  onKeep,
  onRemove,
}: {
  patch: WeedPatch;
  onKeep: (patch: WeedPatch) => void;
  onRemove: (patch: WeedPatch) => void;
}) {
  const { t } = useTranslation();
  const [draft, setDraft] = useState(patch);
  const [text, setText] = useState({
    length: numberText(patch.lengthFt),
    width: numberText(patch.widthFt),
    cover: numberText(patch.cover * 100, 0),
  });
  const [query, setQuery] = useState('');
  const [tried, setTried] = useState(false);
  const value = {
    length: typedNumber(text.length),
    width: typedNumber(text.width),
    cover: typedNumber(text.cover),
  };
  const errors = {
    length: !(value.length && value.length > 0) ? t('plan.problem.above-zero') : undefined,
    width: !(value.width && value.width > 0) ? t('plan.problem.above-zero') : undefined,
    cover:
      value.cover === null || value.cover < 0 || value.cover > 100
        ? t('plan.problem.cover')
        : undefined,
  };
  const found =
    query.trim() === ''
      ? []
      : weeds
          .filter(({ slug }) =>
            t(`weed.${slug}`).toLowerCase().includes(query.trim().toLowerCase()),
          )
          .slice(0, MOST_FOUND);
  const named = draft.plant.kind === 'weed' ? draft.plant.weed : null;
  const annual = named !== null && (weed(named)?.lifeCycle ?? '').includes('annual');
  const years = value.width && !annual ? yearsPresent(value.width, spreadOf(named)) : null;
  const keep = () => {
    setTried(true);
    if (Object.values(errors).some(Boolean)) return focusFirstFault();
    onKeep({
      ...draft,
      lengthFt: value.length as number,
      widthFt: value.width as number,
      cover: (value.cover as number) / 100,
    });
  };
  return (
    <>
      <View className="flex-row flex-wrap gap-2">
        {CATEGORIES.map((category) => (
          <Chip
            key={category}
            label={t(`plan.category.${category}`)}
            chosen={draft.plant.kind === 'category' && draft.plant.category === category}
            onPress={() => setDraft({ ...draft, plant: { kind: 'category', category } })}
          />
        ))}
        {named ? <Chip label={t(`weed.${named}`)} chosen onPress={() => undefined} /> : null}
      </View>
      <Field label={t('plan.findWeed')} value={query} onChange={setQuery} testID="patch-weed" />
      {found.map(({ slug }) => (
        <Button
          key={slug}
          kind="plain"
          label={t(`weed.${slug}`)}
          onPress={() => {
            setDraft({ ...draft, plant: { kind: 'weed', weed: slug, confidence: null } });
            setQuery('');
          }}
        />
      ))}
      <View className="flex-row gap-2">
        {(['length', 'width'] as const).map((side) => (
          <View key={side} className="flex-1">
            <NumberField
              label={t(`plan.patch.${side}`)}
              unit="ft"
              value={text[side]}
              onChange={(next) => setText({ ...text, [side]: next })}
              error={tried ? errors[side] : undefined}
            />
          </View>
        ))}
        <View className="flex-1">
          <NumberField
            label={t('plan.patch.cover')}
            unit="%"
            value={text.cover}
            onChange={(cover) => setText({ ...text, cover })}
            error={tried ? errors.cover : undefined}
          />
        </View>
      </View>
      {annual ? (
        <Words size="note" tone="second">
          {t('plan.annual')}
        </Words>
      ) : years ? (
        <Words size="note" tone="second">
          {years[0] === years[1]
            ? t('plan.yearsAbout', { years: number(years[0]) })
            : t('plan.years', { low: number(years[0]), high: number(years[1]) })}
        </Words>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        {STAGES.map((stage) => (
          <Chip
            key={stage}
            label={t(`plan.stage.${stage}`)}
            chosen={draft.stage === stage}
            onPress={() => setDraft({ ...draft, stage })}
          />
        ))}
      </View>
      <PickerField
        type="date"
        label={t('plan.lookAgain')}
        hint={t('plan.lookAgainHint')}
        value={draft.lookAgainOn ?? ''}
        min={draft.seenOn}
        onChange={(day) =>
          setDraft({ ...draft, lookAgainOn: day === '' ? null : (day as WeedPatch['seenOn']) })
        }
      />
      <Button label={t('common.save')} onPress={keep} testID="keep-patch" />
      <Button kind="quiet" label={t('plan.takeAway')} onPress={() => onRemove(draft)} />
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
