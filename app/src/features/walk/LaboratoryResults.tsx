import { causes, samplesOut, withLaboratoryResult, type Visit } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usePutVisit } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { Button, Card, Failed, ListRow, SelectField, Sheet, shortDay, Title } from '@/ui';

/** Plant samples of a lawn that are out; a result that comes back becomes the finding of its look. */
export function LaboratoryResults({
  lawnId,
  visits,
}: {
  lawnId: string;
  visits: readonly Visit[];
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putVisit = usePutVisit(lawnId);
  const out = samplesOut(visits);
  const [open, setOpen] = useState<(typeof out)[number] | null>(null);
  const [found, setFound] = useState('');
  if (out.length === 0) return null;
  const save = () => {
    if (!open) return;
    const { id, version: _version, ...body } = withLaboratoryResult(open.visit, open.look, found);
    putVisit.mutate({ id, body }, { onSuccess: () => setOpen(null) });
  };
  return (
    <Card testID="samples-out">
      <Title>{t('laboratory.title')}</Title>
      {out.map((sample) => (
        <ListRow
          key={`${sample.visit.id}${sample.look}`}
          title={t('laboratory.sent', { date: shortDay(sample.sentOn), to: sample.to })}
          lines={[t('laboratory.enter')]}
          onPress={() => {
            setFound('');
            setOpen(sample);
          }}
          testID="sample-out"
        />
      ))}
      <Sheet open={open !== null} title={t('laboratory.enter')} onClose={() => setOpen(null)}>
        <SelectField
          label={t('laboratory.found')}
          value={found}
          options={[
            { value: '', label: '–' },
            ...causes
              .map(({ slug }) => ({ value: slug, label: t(`cause.${slug}`) }))
              .sort((a, b) => a.label.localeCompare(b.label)),
          ]}
          onChange={setFound}
        />
        {putVisit.error ? <Failed message={words(putVisit.error)} /> : null}
        <Button
          label={t('common.save')}
          disabled={found === ''}
          onPress={save}
          busy={putVisit.isPending ? t('common.loading') : null}
          testID="save-result"
          wide
        />
      </Sheet>
    </Card>
  );
}
