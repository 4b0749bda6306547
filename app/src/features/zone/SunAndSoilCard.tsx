import {
  grass,
  mainGrass,
  PROBE_STOPS,
  probeVerdict,
  SITE_EXPOSURES,
  SITE_FACTORS,
  thatchVerdict,
} from '@alfombra/core';
import { useController, useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Chip, FormChoices, FormNumber, Tag, Title, typedNumber, Words } from '@/ui';
import type { ZoneForm } from './ZoneForm';

const WARMERS = SITE_FACTORS.filter((factor) => !SITE_EXPOSURES.some((one) => one === factor));

/** Sun, slope, thatch and the probe: what the soil's temperature, the water and the choice of grass hang on. */
export function SunAndSoilCard({ form: { control } }: { form: ZoneForm }) {
  const { t } = useTranslation();
  const [stand, sunHours, thatch, probe, stop] = useWatch({
    control,
    name: ['stand', 'sunHours', 'thatch', 'probe', 'stop'],
  });
  const factors = useController({ control, name: 'factors' }).field;
  const main = mainGrass({
    stand: stand.map(({ species, cover }) => ({ species, cover: (typedNumber(cover) ?? 0) / 100 })),
    desired: stand.filter(({ wish }) => wish === 'wanted').map(({ species }) => species),
  });
  const hours = typedNumber(sunHours);
  const thatchIn = typedNumber(thatch);
  const probeIn = typedNumber(probe);
  const toggle = (factor: (typeof WARMERS)[number]) =>
    factors.onChange(
      factors.value.includes(factor)
        ? factors.value.filter((own) => own !== factor)
        : [...factors.value, factor],
    );
  return (
    <Card>
      <Title>{t('zone.site')}</Title>
      <FormNumber
        control={control}
        name="sunHours"
        label={t('zone.sun')}
        hint={t('zone.sunHint')}
        unit="h"
        testID="sun-hours"
      />
      {main && hours !== null && hours < grass(main).sunHours[0] ? (
        <Words size="note" weight="semi" tone="caution">
          {t('zone.sunShort', { grass: t(`grass.${main}`), hours: grass(main).sunHours[0] })}
        </Words>
      ) : null}
      <FormChoices
        control={control}
        name="exposure"
        label={t('zone.exposureLabel')}
        options={SITE_EXPOSURES}
        nameOf={(option: (typeof SITE_EXPOSURES)[number]) => t(`zone.exposure.${option}`)}
      />
      <View role="group" aria-label={t('zone.warmersLabel')} className="gap-1">
        <Words size="note" weight="semi" tone="second">
          {t('zone.warmersLabel')}
        </Words>
        <View className="flex-row flex-wrap gap-2">
          {WARMERS.map((factor) => (
            <Chip
              key={factor}
              label={t(`zone.warmers.${factor}`)}
              chosen={factors.value.includes(factor)}
              onPress={() => toggle(factor)}
            />
          ))}
        </View>
        <Words size="note" tone="quiet">
          {t('zone.warmersHint')}
        </Words>
      </View>
      <FormNumber control={control} name="slope" label={t('zone.slope')} unit="%" />
      <FormNumber
        control={control}
        name="thatch"
        label={t('zone.thatch')}
        unit="in"
        testID="thatch"
      />
      {main && thatchIn !== null && thatchIn >= 0 ? (
        <Tag
          label={t(`zone.thatchVerdict.${thatchVerdict(thatchIn, main)}`)}
          tone={thatchVerdict(thatchIn, main) === 'fine' ? 'good' : 'caution'}
        />
      ) : null}
      <FormNumber
        control={control}
        name="probe"
        label={t('zone.probe')}
        hint={t('zone.probeHint')}
        unit="in"
        testID="probe-depth"
      />
      <FormChoices
        control={control}
        name="stop"
        label={t('zone.stopLabel')}
        options={PROBE_STOPS}
        nameOf={(option: (typeof PROBE_STOPS)[number]) => t(`zone.stop.${option}`)}
      />
      {probeIn !== null && probeIn >= 0 ? (
        <Tag
          label={t(`zone.probeVerdict.${probeVerdict(probeIn, stop)}`)}
          tone={probeVerdict(probeIn, stop) === 'adequate' ? 'good' : 'caution'}
        />
      ) : null}
    </Card>
  );
}
