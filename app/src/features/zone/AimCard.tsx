import { useTranslation } from 'react-i18next';
import { Card, FormChoices, Title } from '@/ui';
import { PROJECTS, UPKEEPS } from './zoneDraft';
import type { ZoneForm } from './ZoneForm';

/** What is wanted of the zone: to establish a stand or to keep it, and how fine it is to be. */
export function AimCard({ form: { control } }: { form: ZoneForm }) {
  const { t } = useTranslation();
  return (
    <Card>
      <Title>{t('zone.aim')}</Title>
      <FormChoices
        control={control}
        name="project"
        label={t('zone.projectLabel')}
        options={PROJECTS}
        nameOf={(option: (typeof PROJECTS)[number]) => t(`zone.project.${option}`)}
      />
      <FormChoices
        control={control}
        name="upkeep"
        label={t('zone.upkeepLabel')}
        options={UPKEEPS}
        nameOf={(option: (typeof UPKEEPS)[number]) =>
          option === 'lawn' ? t('zone.upkeepOfLawn') : t(`property.upkeep.${option}`)
        }
      />
    </Card>
  );
}
