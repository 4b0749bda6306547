import type { Step } from '@alfombra/core';
import type { DayReading } from '@alfombra/core/ground';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, KnotGlyph, longDay, number, Title, Words } from '@/ui';
import { stepName } from './stepName';

/** What one day is like, what may be done on it and what not. */
export function DayCard({ read, open }: { read: DayReading; open: readonly Step[] }) {
  const { t } = useTranslation();
  const rounded = (inputs: Record<string, number>) =>
    Object.fromEntries(
      Object.entries(inputs).map(([key, value]) => [
        key,
        number(value, key.endsWith('In') ? 2 : 0),
      ]),
    );
  return (
    <Card testID="day-card">
      <Title>{longDay(read.date)}</Title>
      <Words tone="second" tabular>
        {[
          read.soilF === null
            ? null
            : t(read.measured ? 'year.soilNow' : 'year.soilThen', {
                value: number(read.soilF, 0),
                low: number(read.soilLowF ?? read.soilF, 0),
                high: number(read.soilHighF ?? read.soilF, 0),
              }),
          t('year.airOf', { high: number(read.airHighF, 0), low: number(read.airLowF, 0) }),
          t('year.deficitOf', { value: number(read.deficitIn, 2) }),
        ]
          .filter(Boolean)
          .join(' · ')}
      </Words>
      {read.verdicts.map(({ work, may, rule, inputs }) => (
        <View key={work} className="flex-row gap-3" testID={`may-${work}`}>
          <Words weight="bold" tone={may ? 'good' : 'stop'} className="w-[28px]">
            {may ? '✓' : '✕'}
          </Words>
          <View className="flex-1">
            <Words weight="semi">
              {t(may ? 'year.may' : 'year.mayNot', { work: t(`year.work.${work}`) })}
            </Words>
            <Words size="note" tone="second">
              {t(`dayRule.${rule}`, rounded(inputs))}
            </Words>
          </View>
        </View>
      ))}
      {open.map((step) => (
        <View key={step.id} className="flex-row items-center gap-2">
          <KnotGlyph kind={step.kind} />
          <Words className="flex-1">{t('year.open', { step: stepName(t, step) })}</Words>
        </View>
      ))}
      <Words size="note" tone="quiet">
        {t('year.caution')}
      </Words>
    </Card>
  );
}
