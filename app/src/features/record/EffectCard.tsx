import type { Control } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { Card, FormChoices, number, Title, Words } from '@/ui';
import { EFFECTS, type Doubt, type RecordDraft } from './recordDraft';

/** How much of its work a job did, where something speaks against all of it. */
export function EffectCard({
  control,
  doubts,
  rainIn,
}: {
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- whatever its schema makes of the fields
  control: Control<RecordDraft, any, any>;
  doubts: readonly Doubt[];
  rainIn: number | null;
}) {
  const { t } = useTranslation();
  if (doubts.length === 0) return null;
  return (
    <Card tone="caution" testID="record-effect">
      <Title>{t('record.effect.title')}</Title>
      {doubts.map((doubt) => (
        <Words key={doubt}>
          {t(doubt === 'rain' ? 'doneLately.rain' : `record.effect.${doubt}`, {
            inches: number(rainIn ?? 0, 2),
          })}
        </Words>
      ))}
      <FormChoices
        control={control}
        name="effect"
        label={t('record.effect.share')}
        options={EFFECTS}
        nameOf={(option: (typeof EFFECTS)[number]) => t(`record.effect.${option}`)}
      />
    </Card>
  );
}
