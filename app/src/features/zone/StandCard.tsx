import { grass, grasses, type GrassSlug } from '@alfombra/core';
import { useState } from 'react';
import { useFieldArray, useFormState, useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import {
  Button,
  Card,
  FormChoices,
  FormNumber,
  LinkButton,
  SelectField,
  Title,
  typedNumber,
  Words,
} from '@/ui';
import { WISHES } from './zoneDraft';
import type { ZoneForm } from './ZoneForm';

/** The grasses of the zone, the share of each, and whether it is to stay. */
export function StandCard({ form: { control }, keyHref }: { form: ZoneForm; keyHref: string }) {
  const { t } = useTranslation();
  const { fields, append, remove } = useFieldArray({ control, name: 'stand' });
  const stand = useWatch({ control, name: 'stand' });
  const fault = useFormState({ control }).errors.stand?.root?.message;
  const [opened, setOpened] = useState<string | null>(null);
  const total = stand.reduce((sum, { cover }) => sum + (typedNumber(cover) ?? 0), 0);
  const free = grasses.filter(({ slug }) => !stand.some(({ species }) => species === slug));
  const add = (species: GrassSlug) =>
    append({
      species,
      cover: '',
      // What stands there was sown there, unless it is one of the grasses that only ever come by themselves.
      wish: grass(species).roles.includes('desired') ? 'wanted' : 'unwanted',
    });
  return (
    <Card>
      <Title>{t('zone.stand')}</Title>
      <Words size="note" tone="second">
        {t('zone.standLead')}
      </Words>
      {stand.length === 0 ? (
        <Words weight="semi" tone="caution">
          {t('zone.nameFirst')}
        </Words>
      ) : null}
      {fields.map(({ id, species }, index) => {
        const name = t(`grass.${species}`);
        return (
          <View key={id} className="gap-2 border-b-2 border-line pb-3">
            <FormNumber
              control={control}
              name={`stand.${index}.cover`}
              label={name}
              unit="%"
              testID={`cover-${species}`}
            />
            <FormChoices
              control={control}
              name={`stand.${index}.wish`}
              label={t('zone.wishOf', { grass: name })}
              options={WISHES}
              nameOf={(wish: (typeof WISHES)[number]) => t(`zone.wish.${wish}`)}
            />
            {opened === id ? (
              <View className="flex-row flex-wrap gap-2">
                <Button
                  kind="plain"
                  label={t('zone.takeOut', { grass: name })}
                  onPress={() => remove(index)}
                />
                <Button kind="quiet" label={t('common.cancel')} onPress={() => setOpened(null)} />
              </View>
            ) : (
              <Button kind="quiet" label={t('zone.more')} onPress={() => setOpened(id)} />
            )}
          </View>
        );
      })}
      <Words weight="semi" tone={fault ? 'stop' : 'second'} role={fault ? 'alert' : undefined}>
        {fault ? t(fault) : t('zone.left', { share: Math.max(0, Math.round(100 - total)) })}
      </Words>
      <SelectField
        label={t('zone.addGrass')}
        value=""
        options={[
          { value: '', label: '–' },
          ...free.map(({ slug }) => ({ value: slug as string, label: t(`grass.${slug}`) })),
        ]}
        onChange={(slug) => (slug === '' ? undefined : add(slug as GrassSlug))}
      />
      <LinkButton kind="plain" label={t('zone.openKey')} href={keyHref} />
    </Card>
  );
}
