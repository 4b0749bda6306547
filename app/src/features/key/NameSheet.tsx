import { grass, type GrassSlug, type Lawn, type LocalDate, type WeedPatch } from '@alfombra/core';
import { labelPlace } from '@alfombra/core/drawing';
import { keyModel, lookAlikesOf, type KeyCandidate } from '@alfombra/core/key';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import type { NewWeedPatch } from '@/features/plan/weedPatchDraft';
import { WeedPatchSheet } from '@/features/plan/WeedPatchSheet';
import { Button, Chip, Failed, percent, PickerField, SelectField, Sheet, Words } from '@/ui';
import { useKeyStore } from './keyStore';
import { usePlantName } from './usePlantName';

/** Categories that a patch may be kept under without a name. */
export const KEEPABLE = { sedge: 'sedge', broadleaf: 'broadleaf', grassy: 'grassy' } as const;

/** Keeps a name with its confidence, a category only, or a day to look again. */
export function NameSheet({
  candidate,
  lawn,
  zoneId,
  today,
  categoryOf,
  onPair,
  onClose,
  onKept,
}: {
  candidate: KeyCandidate | null;
  lawn: Lawn;
  zoneId: string | null;
  today: LocalDate;
  categoryOf: keyof typeof KEEPABLE | null;
  onPair: (a: string, b: string) => void;
  onClose: () => void;
  onKept: () => void;
}) {
  const { t } = useTranslation();
  const nameOf = usePlantName();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const [zone, setZone] = useState(zoneId ?? lawn.zones[0]?.id ?? '');
  const [again, setAgain] = useState('');
  const answers = useKeyStore((state) => state.answers[lawn.id]);
  const seen = Object.fromEntries(
    Object.entries(answers ?? {}).map(([character, { state }]) => [character, state]),
  );
  const unsure = candidate !== null && candidate.p < keyModel.lockBelow;
  const [patch, setPatch] = useState<NewWeedPatch | null>(null);
  if (!candidate) return null;
  const chosen = lawn.zones.find(({ id }) => id === zone);
  const asGrass = candidate.grass as GrassSlug | null;
  const keep = (lawnAfter: Lawn) => putLawn.mutate(lawnAfter, { onSuccess: onKept });
  // A grass that is named where none was is what grows there on purpose, unless it never is.
  const wanted =
    asGrass !== null && chosen?.desired.length === 0 && grass(asGrass).roles.includes('desired');
  const toPatch = (plant: WeedPatch['plant']) =>
    chosen &&
    setPatch({
      id: uuid(),
      zoneId: zone,
      plant,
      centre: labelPlace(chosen.outline),
      // Nobody has said how large it is yet.
      lengthFt: Number.NaN,
      widthFt: Number.NaN,
      cover: Number.NaN,
      stage: '2-4-tiller',
      seenOn: today,
      lookAgainOn: again === '' ? null : (again as LocalDate),
      asked: unsure ? { on: today, seen, photoId: null } : null,
    });
  const alikes = lookAlikesOf(candidate.taxon);
  if (patch) {
    return (
      <WeedPatchSheet
        patch={patch}
        zone={chosen?.name ?? ''}
        lawnId={lawn.id}
        draftKey={`key:${lawn.id}`}
        onClose={() => setPatch(null)}
        onRemove={() => setPatch(null)}
        onKeep={(kept) => keep({ ...lawn, weedPatches: [...lawn.weedPatches, kept] })}
      />
    );
  }
  return (
    <Sheet open title={nameOf(candidate.taxon)} onClose={onClose}>
      <Words>{t('key.confidence', { share: percent(candidate.p) })}</Words>
      {candidate.against.length > 0 ? (
        <Words tone="stop">
          {t('key.against', {
            list: candidate.against.map((slug) => t(`key.character.${slug}`)).join(', '),
          })}
        </Words>
      ) : null}
      {alikes.length > 0 ? (
        <View className="gap-2">
          <Words size="note" weight="semi" tone="second">
            {t('key.alikes')}
          </Words>
          <View className="flex-row flex-wrap gap-2">
            {alikes.map((slug) => (
              <Chip
                key={slug}
                label={nameOf(slug)}
                chosen={false}
                onPress={() => onPair(candidate.taxon, slug)}
              />
            ))}
          </View>
        </View>
      ) : null}
      {lawn.zones.length > 1 ? (
        <SelectField
          label={t('common.zone')}
          value={zone}
          options={lawn.zones.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setZone}
        />
      ) : null}
      <PickerField
        type="date"
        label={t('plan.lookAgain')}
        hint={t('plan.lookAgainHint')}
        value={again}
        min={today}
        onChange={setAgain}
      />
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      {chosen && asGrass && !chosen.stand.some(({ species }) => species === asGrass) ? (
        <Button
          label={t(wanted ? 'key.toStandWanted' : 'key.toStand', { zone: chosen.name })}
          onPress={() =>
            keep({
              ...lawn,
              zones: lawn.zones.map((entry) =>
                entry.id === chosen.id
                  ? {
                      ...entry,
                      stand: [...entry.stand, { species: asGrass, cover: 0 }],
                      desired: wanted ? [asGrass] : entry.desired,
                    }
                  : entry,
              ),
            })
          }
          testID="keep-grass"
        />
      ) : null}
      {chosen && !asGrass ? (
        <Button
          label={t('key.toPatch', { zone: chosen.name })}
          onPress={() =>
            toPatch({
              kind: 'weed',
              weed: candidate.taxon,
              confidence: Number(candidate.p.toFixed(3)),
            })
          }
          testID="keep-weed"
        />
      ) : null}
      {chosen && categoryOf ? (
        <Button
          kind="plain"
          label={t('key.onlyCategory', { category: t(`plan.category.${categoryOf}`) })}
          onPress={() => toPatch({ kind: 'category', category: KEEPABLE[categoryOf] })}
        />
      ) : null}
    </Sheet>
  );
}
