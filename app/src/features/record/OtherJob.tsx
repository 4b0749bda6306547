import {
  amendmentProducts,
  fertilizers,
  grasses,
  herbicides,
  materialSchema,
  treatments,
  zoneArea,
  type Lawn,
  type Material,
} from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { materialName } from '@/features/season/productWords';
import {
  Button,
  Card,
  Chip,
  Choices,
  focusFirstFault,
  number,
  NumberField,
  type NumberText,
  SelectField,
  typedNumber,
  Words,
} from '@/ui';
import type { Job } from './job';

const KINDS = [
  'herbicide',
  'insecticide',
  'fungicide',
  'growth',
  'fertilizer',
  'amendment',
  'seed',
] as const;
type Kind = (typeof KINDS)[number];

interface Choice {
  kind: Material['kind'];
  slug: string;
  /** `null`: the library leaves it to the label. */
  unit: string | null;
}

/** What can be recorded of a kind. */
function choicesOf(kind: Kind): Choice[] {
  const of = (wanted: readonly string[]) =>
    treatments
      .filter((entry) => wanted.includes(entry.kind))
      .map(({ slug, unit }): Choice => ({ kind: 'treatment', slug, unit }));
  switch (kind) {
    case 'herbicide':
      return herbicides
        .filter(({ tankMix }) => tankMix === null)
        .map(({ slug, unit }) => ({ kind: 'herbicide', slug, unit }));
    case 'insecticide':
      return of(['insecticide', 'biological', 'nematicide']);
    case 'fungicide':
      return of(['fungicide']);
    case 'growth':
      return of(['growth-regulator', 'wetting-agent']);
    case 'fertilizer':
      return fertilizers.map(({ slug }) => ({ kind: 'fertilizer', slug, unit: 'lb' }));
    case 'amendment':
      return amendmentProducts.map(({ slug, unit }) => ({ kind: 'amendment', slug, unit }));
    case 'seed':
      return grasses
        .filter(({ seed }) => seed !== null)
        .map(({ slug }) => ({ kind: 'seed', slug, unit: 'lb' }));
  }
}

/** Picks zone, product and amount of work that no step planned. */
export function OtherJob({ lawn, onJob }: { lawn: Lawn; onJob: (job: Job) => void }) {
  const { t } = useTranslation();
  const [zoneId, setZoneId] = useState(lawn.zones[0]?.id ?? '');
  const [kind, setKind] = useState<Kind>('herbicide');
  const [slug, setSlug] = useState('');
  const [amount, setAmount] = useState<NumberText>('');
  const [tried, setTried] = useState(false);
  const choices = choicesOf(kind)
    .map((choice) => ({ ...choice, name: materialName(t, choice) }))
    .sort((a, b) => a.name.localeCompare(b.name));
  const chosen = choices.find((choice) => choice.slug === slug) ?? choices[0];
  const value = typedNumber(amount);
  const zone = lawn.zones.find(({ id }) => id === zoneId);
  const go = () => {
    setTried(true);
    if (!chosen || !zone || value === null || value <= 0) return focusFirstFault();
    const spray = chosen.kind === 'herbicide' || chosen.kind === 'treatment';
    const material = materialSchema.parse({
      kind: chosen.kind,
      slug: chosen.slug,
      amount: value,
      unit: chosen.unit ?? 'fl-oz',
    });
    const areaFt2 = zoneArea(zone);
    onJob({
      key: `other:${uuid()}`,
      stepId: null,
      zoneId: zone.id,
      areaFt2,
      materials: [material],
      targets: [],
      spray,
      carrierGal: spray ? areaFt2 / 1000 : null,
    });
  };
  if (!zone || !chosen) return <Words>{t('plan.zoneFirst')}</Words>;
  return (
    <Card>
      <Words tone="second">{t('record.otherLead')}</Words>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label={t('record.zone')}>
        {lawn.zones.map((entry) => (
          <Chip
            key={entry.id}
            label={entry.name}
            chosen={entry.id === zoneId}
            onPress={() => setZoneId(entry.id)}
          />
        ))}
      </View>
      <Choices
        label={t('record.kind')}
        value={kind}
        options={KINDS}
        nameOf={(option) => t(`record.kinds.${option}`)}
        onChange={(option) => {
          setKind(option);
          setSlug('');
        }}
      />
      <SelectField
        label={t('record.product')}
        value={chosen.slug}
        options={choices.map((choice) => ({ value: choice.slug, label: choice.name }))}
        onChange={setSlug}
      />
      <NumberField
        label={t('record.amount')}
        unit={t(`unit.${chosen.unit ?? 'fl-oz'}`)}
        value={amount}
        onChange={setAmount}
        hint={t('common.ft2', { value: number(zoneArea(zone)) })}
        error={tried && (value === null || value <= 0) ? t('record.number') : undefined}
        testID="other-amount"
      />
      <Button label={t('record.next')} onPress={go} testID="other-next" wide />
    </Card>
  );
}
