import { areaInterval, type Lawn } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePhotos, useReadings, useSamples } from '@/api/queries';
import { ListRow, number } from '@/ui';
import type { OpenThing } from './openThings';

/** The property in walking order, what is done and what is not; the next open thing is lit. */
export function VisitRows({
  lawn,
  open,
  today,
}: {
  lawn: Lawn;
  open: readonly OpenThing[];
  today: string;
}) {
  const { t } = useTranslation();
  const photos = usePhotos(lawn.id).data ?? [];
  const readings = useReadings(lawn.id).data ?? [];
  const samples = useSamples(lawn.id).data ?? [];
  const next = open[0];
  const isNext = (thing: OpenThing) => JSON.stringify(thing) === JSON.stringify(next);
  const to = (path: string) => `/lawns/${lawn.id}/${path}`;
  const todays = (list: readonly { date: string }[]) =>
    list.filter(({ date }) => date === today).length;
  return (
    <View className="gap-3 lg:flex-1">
      <ListRow
        testID="to-plan"
        chosen={next?.kind === 'measure'}
        title={t('visit.plan')}
        lines={[
          lawn.zones.length === 0
            ? t('visit.notMeasured')
            : t('visit.measured', {
                count: lawn.zones.length,
                area: number(lawn.zones.reduce((sum, zone) => sum + areaInterval(zone).areaFt2, 0)),
              }),
          t('visit.marks', {
            count: lawn.pins.length + lawn.lines.length,
            weeds: t('visit.weedPatches', { count: lawn.weedPatches.length }),
          }),
        ]}
        href={to('plan')}
      />
      {lawn.zones.map((zone) => {
        const { low, high } = areaInterval(zone);
        return (
          <ListRow
            key={zone.id}
            testID={`zone-${zone.name}`}
            chosen={isNext({ kind: 'grass', zoneId: zone.id })}
            title={zone.name}
            lines={[
              t('plan.areaBetween', { low: number(low), high: number(high), unit: 'ft²' }),
              [
                zone.stand.length === 0
                  ? t('visit.noGrass')
                  : t('visit.grasses', { count: zone.stand.length }),
                zone.site.irrigated === null ? t('visit.irrigationOpen') : null,
                zone.site.probe === null ? t('visit.notProbed') : null,
              ]
                .filter(Boolean)
                .join(' · '),
            ]}
            href={to(`zone/${zone.id}`)}
          />
        );
      })}
      {lawn.zones.length > 0 ? (
        <ListRow
          testID="to-walk"
          chosen={next?.kind === 'patch'}
          title={t('visit.damage')}
          lines={[
            t('visit.patches', { count: lawn.patches.length }),
            ...(lawn.patches.length > 0
              ? [
                  t('visitHub.patchesOpen', {
                    count: open.filter(({ kind }) => kind === 'patch').length,
                  }),
                ]
              : []),
          ]}
          href={to('walk')}
        />
      ) : null}
      <ListRow
        testID="to-key"
        title={t('visit.key')}
        lines={[t('visit.keyLead')]}
        href={to('key')}
      />
      <ListRow
        testID="to-readings"
        title={t('visit.readings')}
        lines={[
          t('visit.readingsToday', {
            count: todays(readings),
            samples: t('visit.samplesOut', {
              count: samples.filter(({ report }) => !report).length,
            }),
          }),
        ]}
        href={to('readings')}
      />
      <ListRow
        testID="to-photos"
        title={t('visit.photos')}
        lines={[t('visit.photosToday', { count: todays(photos) })]}
        href={to('photos')}
      />
    </View>
  );
}
