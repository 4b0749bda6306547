import { useController, type FieldPathByValue } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { Card, Choices, FormChoices, Title } from '@/ui';
import { SEEN, type ZoneDraft } from './zoneDraft';
import type { ZoneForm } from './ZoneForm';

const LOOKED = ['irrigated', 'dog', 'newTurf', 'samePlaceBefore'] as const;
const NEAR = ['treeRoots', 'sensitivePlants'] as const;

/** What stands here and was here: each answers a sign of its own, or keeps a product off. */
export function SiteCard({ form: { control } }: { form: ZoneForm }) {
  const { t } = useTranslation();
  return (
    <Card>
      <Title>{t('zone.here')}</Title>
      {LOOKED.map((name) => (
        <FormChoices
          key={name}
          control={control}
          name={name}
          label={t(`zone.look.${name}`)}
          options={SEEN}
          nameOf={(option: (typeof SEEN)[number]) => t(`zone.irrigated.${option}`)}
        />
      ))}
      {NEAR.map((name) => (
        <YesNo key={name} control={control} name={name} label={t(`zone.near.${name}`)} />
      ))}
    </Card>
  );
}

function YesNo({
  control,
  name,
  label,
}: {
  control: ZoneForm['control'];
  name: FieldPathByValue<ZoneDraft, boolean>;
  label: string;
}) {
  const { t } = useTranslation();
  const { field } = useController({ control, name });
  return (
    <Choices
      label={label}
      value={field.value ? 'yes' : 'no'}
      options={['yes', 'no'] as const}
      nameOf={(option) => t(`property.yesNo.${option}`)}
      onChange={(option) => field.onChange(option === 'yes')}
    />
  );
}
