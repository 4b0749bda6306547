import { wilsonInterval, type Zone } from '@alfombra/core';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import {
  Button,
  Card,
  numberText,
  percent,
  Title,
  typedNumber,
  Words,
  type NumberText,
} from '@/ui';
import { usePointCount } from './pointCountStore';
import type { ZoneForm } from './ZoneForm';

/** Enough points for an interval that decides something. */
const GOOD_COUNT = 50;
/** From so many on a share says more than a guess. */
const USABLE_COUNT = 20;

/** Tap hit or miss at each pace; the share with its Wilson interval is what the 50 % rule reads. */
export function PointCountCard({
  zone,
  form: { control, setValue },
}: {
  zone: Zone;
  form: ZoneForm;
}) {
  const { t } = useTranslation();
  const { counts, tap, back, clear } = usePointCount();
  const stand = useWatch({ control, name: 'stand' });
  const count = counts[zone.id] ?? { hits: 0, points: 0, last: [] };
  const interval = count.points > 0 ? wilsonInterval(count.hits, count.points) : null;
  const wanted = stand.flatMap(({ species, wish }, index) =>
    wish === 'wanted' ? [{ species, index }] : [],
  );
  // With one wanted grass the count is its cover; of several it cannot tell how they share it.
  const only = wanted.length === 1 ? wanted[0] : undefined;
  const cover = only ? (stand[only.index]?.cover ?? '') : '';
  const shareText = (hits: number, points: number) =>
    points >= USABLE_COUNT ? numberText((100 * hits) / points, 0) : '';
  const take = (text: NumberText) =>
    only && setValue(`stand.${only.index}.cover`, text, { shouldValidate: true });
  const tapPoint = (hit: boolean) => {
    const before = shareText(count.hits, count.points);
    tap(zone.id, hit);
    const now = shareText(count.hits + (hit ? 1 : 0), count.points + 1);
    // A cover that nobody typed goes along with the count.
    if (now !== '' && (cover === '' || typedNumber(cover) === 0 || cover === before)) take(now);
  };
  return (
    <Card testID="point-count">
      <Title>{t('zone.count')}</Title>
      <Words tone="second">{t('zone.countLead')}</Words>
      <View className="flex-row gap-2">
        <View className="flex-1">
          <Button label={t('zone.hit')} onPress={() => tapPoint(true)} testID="count-hit" />
        </View>
        <View className="flex-1">
          <Button
            kind="equal"
            label={t('zone.miss')}
            onPress={() => tapPoint(false)}
            testID="count-miss"
          />
        </View>
      </View>
      {interval ? (
        <>
          <Words size="lead" weight="bold" tabular testID="count-share">
            {t('zone.share', {
              share: percent(count.hits / count.points),
              low: percent(interval[0]),
              high: percent(interval[1]),
              points: count.points,
            })}
          </Words>
          <Words size="note" tone="second">
            {count.points < GOOD_COUNT
              ? t('zone.goOn', { count: GOOD_COUNT - count.points })
              : interval[0] > 0.5
                ? t('zone.overHalf')
                : interval[1] < 0.5
                  ? t('zone.underHalf')
                  : t('zone.openHalf')}
          </Words>
          {only && cover !== shareText(count.hits, count.points) && count.points >= USABLE_COUNT ? (
            <Button
              kind="plain"
              label={t('zone.takeCount', {
                share: percent(count.hits / count.points),
                grass: t(`grass.${only.species}`),
              })}
              onPress={() => take(shareText(count.hits, count.points))}
            />
          ) : null}
          <View className="flex-row gap-2">
            <Button kind="plain" label={t('plan.undo')} onPress={() => back(zone.id)} />
            <Button kind="plain" label={t('zone.countAgain')} onPress={() => clear(zone.id)} />
          </View>
        </>
      ) : null}
    </Card>
  );
}
