import { SOIL_TEXTURES, textureFromFeel } from '@alfombra/core';
import { useState } from 'react';
import { useController } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { Card, Choices, SelectField, Title, Words } from '@/ui';
import type { ZoneForm } from './ZoneForm';

const RIBBONS = [0, 0.5, 1.5, 2.5] as const;

/** Soil texture between the fingers, step by step, or picked straight from the list. */
export function TextureCard({ form: { control } }: { form: ZoneForm }) {
  const { t } = useTranslation();
  const { value, onChange } = useController({ control, name: 'texture' }).field;
  const [ball, setBall] = useState<boolean | null>(null);
  const [ribbon, setRibbon] = useState<number | null>(null);
  const settle = (ribbonIn: number, grit: 'gritty' | 'smooth' | 'neither') =>
    onChange(textureFromFeel({ ball: true, ribbonIn, grit }));
  return (
    <Card>
      <Title>{t('zone.texture')}</Title>
      <Words tone="second">{t('zone.textureLead')}</Words>
      <Choices
        label={t('zone.ball')}
        value={ball === null ? null : ball ? 'yes' : 'no'}
        options={['yes', 'no'] as const}
        nameOf={(option) => t(`property.yesNo.${option}`)}
        onChange={(next) => {
          setBall(next === 'yes');
          setRibbon(null);
          if (next === 'no')
            onChange(textureFromFeel({ ball: false, ribbonIn: 0, grit: 'gritty' }));
        }}
      />
      {ball ? (
        <Choices
          label={t('zone.ribbon')}
          value={ribbon === null ? null : (String(ribbon) as '0')}
          options={RIBBONS.map((length) => String(length) as '0')}
          nameOf={(option) => t(`zone.ribbons.${option}`)}
          onChange={(next) => {
            setRibbon(Number(next));
            if (Number(next) === 0) settle(0, 'gritty');
          }}
        />
      ) : null}
      {ball && ribbon ? (
        <Choices
          label={t('zone.grit')}
          value={null}
          options={['gritty', 'smooth', 'neither'] as const}
          nameOf={(option) => t(`zone.grits.${option}`)}
          onChange={(grit) => settle(ribbon, grit)}
        />
      ) : null}
      <SelectField
        label={t('zone.textureIs')}
        value={value ?? ''}
        options={[
          { value: '', label: t('zone.unknown') },
          ...SOIL_TEXTURES.map((slug) => ({
            value: slug as string,
            label: t(`zone.soil.${slug}`),
          })),
        ]}
        onChange={(slug) => onChange(slug === '' ? null : slug)}
      />
    </Card>
  );
}
