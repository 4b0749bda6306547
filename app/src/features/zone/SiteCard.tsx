import { Fragment } from 'react';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { Card, FormChoices, FormField, FormYesNo, Title } from '@/ui';
import { SEEN } from './zoneDraft';
import type { ZoneForm } from './ZoneForm';

const LOOKED = ['irrigated', 'dog', 'newTurf', 'samePlaceBefore'] as const;
const NEAR = ['treeRoots', 'sensitivePlants'] as const;

/** What stands here and was here: each answers a sign of its own, or keeps a product off. */
export function SiteCard({ form: { control } }: { form: ZoneForm }) {
  const { t } = useTranslation();
  const dog = useWatch({ control, name: 'dog' });
  return (
    <Card>
      <Title>{t('zone.here')}</Title>
      {LOOKED.map((name) => (
        <Fragment key={name}>
          <FormChoices
            control={control}
            name={name}
            label={t(`zone.look.${name}`)}
            options={SEEN}
            nameOf={(option: (typeof SEEN)[number]) => t(`zone.irrigated.${option}`)}
          />
          {name === 'dog' && dog === 'yes' ? (
            <FormField
              control={control}
              name="whichDog"
              label={t('zone.whichDog')}
              hint={t('zone.whichDogHint')}
            />
          ) : null}
        </Fragment>
      ))}
      {NEAR.map((name) => (
        <FormYesNo
          key={name}
          control={control}
          name={name}
          label={t(`zone.near.${name}`)}
          nameOf={(option) => t(`property.yesNo.${option}`)}
        />
      ))}
    </Card>
  );
}
