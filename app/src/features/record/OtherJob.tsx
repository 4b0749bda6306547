import {
  amendmentProducts,
  LIBRARY,
  grasses,
  materialSchema,
  zoneArea,
  type Lawn,
  type Material,
} from '@alfombra/core';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { z } from 'zod';
import { materialName } from '@/features/season/productWords';
import { useProducts } from '@/features/shelf/useProducts';
import { ZoneChips } from '@/features/zone/ZoneChips';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Card, Choices, figure, FormNumber, number, SelectField, Words } from '@/ui';
import { otherKey, pickKey, type Job } from './job';

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

const otherJobSchema = z.object({
  zoneId: z.string(),
  kind: z.enum(KINDS),
  slug: z.string(),
  amount: figure('record.number', { above: 0 }),
});

interface Choice {
  kind: Material['kind'];
  slug: string;
  /** `null`: the library leaves it to the label. */
  unit: string | null;
}

/** What can be recorded of a kind. */
function choicesOf(kind: Kind): Choice[] {
  const of = (wanted: readonly string[]) =>
    LIBRARY.treatments
      .filter((entry) => wanted.includes(entry.kind))
      .map(({ slug, unit }): Choice => ({ kind: 'treatment', slug, unit }));
  switch (kind) {
    case 'herbicide':
      return LIBRARY.herbicides
        .filter(({ tankMix }) => tankMix === null)
        .map(({ slug, unit }) => ({ kind: 'herbicide', slug, unit }));
    case 'insecticide':
      return of(['insecticide', 'biological', 'nematicide']);
    case 'fungicide':
      return of(['fungicide']);
    case 'growth':
      return of(['growth-regulator', 'wetting-agent']);
    case 'fertilizer':
      return LIBRARY.fertilizers.map(({ slug }) => ({ kind: 'fertilizer', slug, unit: 'lb' }));
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
  const shelf = useProducts();
  const { form } = useDraftForm({
    key: pickKey(lawn.id),
    source: lawn.id,
    make: () => ({
      zoneId: lawn.zones[0]?.id ?? '',
      kind: 'herbicide' as Kind,
      slug: '',
      amount: '' as const,
    }),
    schema: otherJobSchema,
  });
  const { control, setValue } = form;
  const [zoneId, kind, slug] = useWatch({ control, name: ['zoneId', 'kind', 'slug'] });
  const choices = choicesOf(kind)
    .map((choice) => ({ ...choice, name: materialName(t, choice, shelf) }))
    .sort((a, b) => a.name.localeCompare(b.name));
  const chosen = choices.find((choice) => choice.slug === slug) ?? choices[0];
  const zone = lawn.zones.find(({ id }) => id === zoneId);
  const go = form.handleSubmit(({ amount }) => {
    if (!chosen || !zone) return;
    const spray = chosen.kind === 'herbicide' || chosen.kind === 'treatment';
    const material = materialSchema.parse({
      kind: chosen.kind,
      slug: chosen.slug,
      amount,
      unit: chosen.unit ?? 'fl-oz',
    });
    const areaFt2 = zoneArea(zone);
    onJob({
      key: otherKey(lawn.id),
      lines: [{ stepId: null, zoneId: zone.id, areaFt2, materials: [material], targets: [] }],
      areaFt2,
      materials: [material],
      spray,
      carrierGal: spray ? areaFt2 / 1000 : null,
    });
  });
  if (!zone || !chosen) return <Words>{t('plan.zoneFirst')}</Words>;
  return (
    <Card>
      <Words tone="second">{t('record.otherLead')}</Words>
      <ZoneChips zones={lawn.zones} zoneId={zoneId} onChange={(id) => setValue('zoneId', id)} />
      <Choices
        label={t('record.kind')}
        value={kind}
        options={KINDS}
        nameOf={(option) => t(`record.kinds.${option}`)}
        onChange={(option) => {
          setValue('kind', option);
          setValue('slug', '');
        }}
      />
      <SelectField
        label={t('record.product')}
        value={chosen.slug}
        options={choices.map((choice) => ({ value: choice.slug, label: choice.name }))}
        onChange={(next) => setValue('slug', next)}
      />
      <FormNumber
        control={control}
        name="amount"
        label={t('record.amount')}
        unit={t(`unit.${chosen.unit ?? 'fl-oz'}`)}
        hint={t('common.ft2', { value: number(zoneArea(zone)) })}
        testID="other-amount"
      />
      <Button label={t('record.next')} onPress={() => void go()} testID="other-next" wide />
    </Card>
  );
}
