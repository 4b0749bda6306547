import { areaInterval, edgeLengths, sideName, type Zone } from '@alfombra/core';
import { dropCorner, setEdgeLength, splitEdge } from '@alfombra/core/measuring';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import {
  Button,
  Card,
  Field,
  NumberField,
  type NumberText,
  percent,
  Provenance,
  typedNumber,
  Words,
} from '@/ui';
import { UnitChoice } from './UnitChoice';
import { usePlanUnits } from './usePlanUnits';

/** One zone's name, area with its interval, and edges. */
export function ZonePanel({
  zone,
  edge,
  onEdge,
  onChange,
  onCutout,
  onRemove,
  removable,
}: {
  zone: Zone;
  edge: number | null;
  onEdge: (edge: number | null) => void;
  onChange: (zone: Zone) => void;
  onCutout: () => void;
  onRemove: () => void;
  removable: boolean;
}) {
  const { t } = useTranslation();
  const units = usePlanUnits();
  const { areaFt2, low, high, fromAssumed } = areaInterval(zone);
  const lengths = edgeLengths(zone.outline);
  const half = (high - low) / 2;
  return (
    <Card>
      <Field
        label={t('plan.name')}
        value={zone.name}
        onChange={(name) => onChange({ ...zone, name })}
        error={zone.name.trim() === '' ? t('plan.needsName') : undefined}
      />
      <Provenance
        title={t('plan.area')}
        lines={[
          t('plan.areaFormula'),
          t('plan.areaMethod', { method: t(`plan.method.${zone.measure.method}`) }),
          t('plan.areaAssumed', { share: percent(fromAssumed) }),
        ]}
        source="derived"
        note={t('plan.areaNote')}
      >
        <Words size="lead" weight="bold" tabular testID="zone-area">
          {t('plan.areaWith', {
            area: units.area(areaFt2),
            half: units.area(half),
            unit: units.areaUnit,
          })}
        </Words>
        <Words size="note" tone="second" tabular>
          {t('plan.areaBetween', {
            low: units.area(low),
            high: units.area(high),
            unit: units.areaUnit,
          })}
        </Words>
      </Provenance>
      <UnitChoice />
      <View className="gap-2">
        {zone.outline.length > 20 ? (
          <Words tone="second">{t('plan.manyEdges', { count: zone.outline.length })}</Words>
        ) : (
          zone.outline.map((_, index) => (
            <EdgeRow
              key={index}
              name={sideName(index, zone.outline.length)}
              lengthFt={lengths[index] as number}
              assumed={zone.edges[index] === 'assumed'}
              open={edge === index}
              onOpen={() => onEdge(edge === index ? null : index)}
              onLength={(feet) =>
                onChange({ ...zone, outline: setEdgeLength(zone.outline, index, feet) })
              }
              onState={(state) =>
                onChange({
                  ...zone,
                  edges: zone.edges.map((entry, at) => (at === index ? state : entry)),
                })
              }
              onSplit={() =>
                onChange({
                  ...zone,
                  outline: splitEdge(zone.outline, index),
                  edges: zone.edges.flatMap((entry, at) =>
                    at === index ? [entry, entry] : [entry],
                  ),
                })
              }
              onDrop={
                zone.outline.length > 3
                  ? () =>
                      onChange({
                        ...zone,
                        outline: dropCorner(zone.outline, index),
                        edges: zone.edges.filter((_entry, at) => at !== index),
                      })
                  : undefined
              }
            />
          ))
        )}
      </View>
      {zone.cutouts.map((_, index) => (
        <View key={index} className="flex-row items-center gap-2">
          <Words className="flex-1">{t('plan.cutout', { number: index + 1 })}</Words>
          <Button
            kind="quiet"
            label={t('plan.takeAway')}
            onPress={() =>
              onChange({ ...zone, cutouts: zone.cutouts.filter((_cut, at) => at !== index) })
            }
          />
        </View>
      ))}
      <Button kind="plain" label={t('plan.addCutout')} onPress={onCutout} />
      {removable ? (
        <Button kind="quiet" label={t('plan.removeZone')} onPress={onRemove} />
      ) : (
        <Words size="note" tone="quiet">
          {t('plan.notRemovable')}
        </Words>
      )}
    </Card>
  );
}

function EdgeRow({
  name,
  lengthFt,
  assumed,
  open,
  onOpen,
  onLength,
  onState,
  onSplit,
  onDrop,
}: {
  name: string;
  lengthFt: number;
  assumed: boolean;
  open: boolean;
  onOpen: () => void;
  onLength: (feet: number) => void;
  onState: (state: 'confirmed' | 'assumed') => void;
  onSplit: () => void;
  onDrop: (() => void) | undefined;
}) {
  const { t } = useTranslation();
  const units = usePlanUnits();
  const [text, setText] = useState<NumberText | null>(null);
  const typed = text === null ? null : typedNumber(text);
  const bad = text !== null && !(typed !== null && typed > 0);
  return (
    <View className={`rounded-xl border-2 ${open ? 'border-ink' : 'border-line'}`}>
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={onOpen}
        className="min-h-[52px] flex-row items-center gap-3 px-3"
        testID={`side-${name}`}
      >
        <Words weight="bold">
          <Words className="sr-only">{`${t('plan.sideWord')} `}</Words>
          {name}
        </Words>
        <Words tabular className="flex-1">
          {`${units.length(lengthFt)} ${units.unit}`}
        </Words>
        <Words weight="semi" tone={assumed ? 'stop' : 'good'}>
          {assumed ? t('plan.assumed') : t('plan.confirmed')}
        </Words>
      </Pressable>
      {open ? (
        <View className="gap-2 px-3 pb-3">
          <NumberField
            label={t('plan.sideLength')}
            unit={units.unit}
            value={text ?? units.lengthText(lengthFt)}
            onChange={setText}
            onSubmit={() => typed && typed > 0 && onLength(units.toFeet(typed))}
            error={bad ? t('plan.problem.above-zero') : undefined}
            testID="side-length"
          />
          <View className="flex-row flex-wrap gap-2">
            <Button
              kind="plain"
              label={t('plan.setLength')}
              disabled={text === null || bad}
              onPress={() => {
                if (typed) onLength(units.toFeet(typed));
                setText(null);
              }}
              testID="set-length"
            />
            <Button
              kind="plain"
              label={assumed ? t('plan.confirm') : t('plan.assume')}
              onPress={() => onState(assumed ? 'confirmed' : 'assumed')}
              testID="side-state"
            />
            <Button kind="plain" label={t('plan.split')} onPress={onSplit} />
            {onDrop ? (
              <Button
                kind="plain"
                label={t('plan.dropCorner', { corner: name[0] })}
                onPress={onDrop}
              />
            ) : null}
          </View>
        </View>
      ) : null}
    </View>
  );
}
