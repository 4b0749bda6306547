import { zoneSchema, type Lawn } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { v7 as uuid } from 'uuid';
import { FileButton } from '@/features/property/FileButton';
import { exchange } from '@/features/property/useExchange';
import type { Plan } from '@/state/planStore';
import { Button, Card, NumberField, numberText, typedNumber, Words } from '@/ui';
import { saveFile } from './saveFile';

/** The plan as GeoJSON, out and in. */
export function ExchangePanel({
  lawn,
  plan,
  onChange,
}: {
  lawn: Lawn;
  plan: Plan;
  onChange: (change: Partial<Plan>) => void;
}) {
  const { t } = useTranslation();
  const [lat, setLat] = useState(() => numberText(plan.origin?.lat));
  const [lon, setLon] = useState(() => numberText(plan.origin?.lon));
  const [said, setSaid] = useState<string[]>([]);
  const [origin, bad] = [
    { lat: typedNumber(lat), lon: typedNumber(lon) },
    (value: number | null, most: number) =>
      value === null || Math.abs(value) > most ? t('plan.badDegrees', { most }) : undefined,
  ];
  const latError = lat === '' ? undefined : bad(origin.lat, 90);
  const lonError = lon === '' ? undefined : bad(origin.lon, 180);
  const ready = origin.lat !== null && origin.lon !== null && !latError && !lonError;
  const take = async (text: string) => {
    const { parseLawnGeoJson } = await exchange();
    const read = parseLawnGeoJson(text);
    setSaid([
      t('plan.imported', { count: read.zones.length }),
      ...read.errors.map(({ feature, message }) => t('plan.importError', { feature, message })),
    ]);
    if (read.zones.length === 0 || !read.origin) return;
    setLat(numberText(read.origin.lat));
    setLon(numberText(read.origin.lon));
    onChange({
      origin: read.origin,
      zones: [
        ...plan.zones,
        ...read.zones.map((zone, index) =>
          zoneSchema.parse({
            id: uuid(),
            name: zone.name ?? t('plan.zoneName', { number: plan.zones.length + index + 1 }),
            outline: zone.outline,
            cutouts: zone.cutouts,
            edges: zone.outline.map(() => 'assumed'),
            measure: { method: 'import' },
            stand: [],
            desired: [],
            site: {},
          }),
        ),
      ],
    });
  };
  return (
    <Card>
      <Words tone="second">{t('plan.fileLead')}</Words>
      <FileButton
        label={t('plan.importFile')}
        accept=".geojson,.json"
        onText={(text) => void take(text)}
      />
      {said.map((line) => (
        <Words key={line} role="status">
          {line}
        </Words>
      ))}
      <NumberField label={t('plan.lat')} value={lat} onChange={setLat} error={latError} />
      <NumberField label={t('plan.lon')} value={lon} onChange={setLon} error={lonError} />
      <Button
        kind="plain"
        label={t('plan.exportFile')}
        disabled={!ready || plan.zones.length === 0}
        onPress={() => {
          const place = { lat: origin.lat as number, lon: origin.lon as number };
          onChange({ origin: place });
          void exchange().then(({ writeLawnGeoJson }) =>
            saveFile(
              `${lawn.name}.geojson`,
              'application/geo+json',
              JSON.stringify(
                writeLawnGeoJson({ name: lawn.name, zones: plan.zones, origin: place }),
                null,
                2,
              ),
            ),
          );
        }}
      />
    </Card>
  );
}
