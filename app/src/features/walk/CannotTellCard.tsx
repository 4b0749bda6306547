import { type LocalDate } from '@alfombra/core';
import { fieldTestCard, UNKNOWN_CAUSE, type Diagnosis } from '@alfombra/core/walking';
import { useTranslation } from 'react-i18next';
import { FieldTestSteps } from '@/features/fieldTests/FieldTestSteps';
import { Card, Chip, Field, percent, Title, Words } from '@/ui';

interface Sample {
  sentOn: LocalDate;
  to: string;
}

/** The honest outcome: who is still in it, what would tell, what does no harm, and the laboratory. */
export function CannotTellCard({
  diagnosis,
  today,
  sample,
  bad,
  onSample,
}: {
  diagnosis: Diagnosis;
  today: LocalDate;
  sample: Sample | null;
  /** The address is asked for and empty. */
  bad: boolean;
  onSample: (sample: Sample | null) => void;
}) {
  const { t } = useTranslation();
  const open = diagnosis.posterior.filter(({ cause }) => cause !== UNKNOWN_CAUSE).slice(0, 3);
  const laboratory = fieldTestCard('lab-sample');
  const telling = diagnosis.bestCheck ?? diagnosis.homework;
  return (
    <Card tone="panel" testID="cannot-tell-card">
      <Title>{t('cannotTell.title')}</Title>
      <Words>
        {open
          .map(
            ({ cause, p }) =>
              `${t(`cause.${cause}`)} ${t('common.percent', { value: percent(p) })}`,
          )
          .join(' · ')}
      </Words>
      {telling ? (
        <Words>{t('cannotTell.tells', { sign: t(`sign.${telling.sign}.label`) })}</Words>
      ) : null}
      <Words>{t('cannotTell.noHarm')}</Words>
      <Chip
        label={t('cannotTell.send')}
        chosen={sample !== null}
        onPress={() => onSample(sample ? null : { sentOn: today, to: t('cannotTell.clinic') })}
      />
      {sample ? (
        <>
          <Field
            label={t('cannotTell.to')}
            value={sample.to}
            onChange={(to) => onSample({ ...sample, to })}
            error={bad ? t('cannotTell.needsTo') : undefined}
            testID="sample-to"
          />
          {laboratory ? <FieldTestSteps card={laboratory} /> : null}
        </>
      ) : null}
    </Card>
  );
}
