import { zoneArea, type Lawn, type Patch, type Point, type Zone } from '@alfombra/core';
import { labelPlace } from '@alfombra/core/drawing';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { LawnPicture } from '@/features/plan/drawing/LawnPicture';
import { ZoneChips } from '@/features/zone/ZoneChips';
import { keptFrom, movedDraft } from '@/state/draftStore';
import { useWalkStore } from '@/state/walkStore';
import type { SeasonQuestion } from '@/workers/seasonView';
import { Button, ListRow, number, Screen, Tag, Title, Words } from '@/ui';
import { MarkPatchSheet, newPatchKey } from './MarkPatchSheet';
import type { NewPatch, PatchDraft } from './patchDraft';

/** Where to look: a press on the plan marks a damaged place or opens one; a zone can be looked at whole. */
export function ChoosePlace({ question }: { question: SeasonQuestion }) {
  const { t } = useTranslation();
  const { lawn, company, visits } = question;
  const [zoneId, setZoneId] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  // A place that was pressed and half described is there again after a reload.
  const [marking, setMarking] = useState<NewPatch | Patch | null>(
    () => keptFrom<NewPatch>(newPatchKey(lawn.id)) ?? null,
  );
  const start = useWalkStore((state) => state.start);
  const beginVisit = useWalkStore((state) => state.beginVisit);
  const going = useWalkStore((state) => state.visits[lawn.id]);
  const laid = useWalkStore((state) => state.laid[lawn.id]) ?? [];
  const zone = lawn.zones.find(({ id }) => id === zoneId) ?? largest(lawn);
  const zoneOf = (id: string) => lawn.zones.find((entry) => entry.id === id)?.name ?? '';
  const looks = visits.find(({ id }) => id === going?.visitId)?.looks ?? [];
  const begin = (place: { zoneId: string; patchId: string | null }) =>
    start(lawn.id, place.zoneId, place.patchId, beginVisit(lawn.id, company.today));
  const mark = (centre: Point) =>
    setMarking(
      // Half described and pressed elsewhere: the same place, put right.
      movedDraft<PatchDraft, NewPatch>(newPatchKey(lawn.id), {
        values: { centre },
        from: { centre },
      }) ?? {
        id: uuid(),
        number: 1 + Math.max(0, ...lawn.patches.map((entry) => entry.number)),
        centre,
        seenOn: company.today,
      },
    );
  const stateOf = (place: { zoneId: string; patchId: string | null }) => {
    const here = (entry: { zoneId: string; patchId: string | null }) =>
      entry.zoneId === place.zoneId && entry.patchId === place.patchId;
    return looks.some(here) ? ('looked' as const) : laid.some(here) ? ('begun' as const) : null;
  };
  const whole = stateOf({ zoneId: zone.id, patchId: null });
  return (
    <Screen
      title={t('walk.chooseZone')}
      lead={lawn.name}
      subject={lawn.name}
      back={`/lawns/${lawn.id}/visit`}
    >
      <Words tone="second">{t('mark.lead')}</Words>
      <LawnPicture
        lawn={lawn}
        zoneId={zone.id}
        height={260}
        onPress={({ at, zone: touched, patch }) => {
          const there = lawn.patches.find(({ id }) => id === patch?.id);
          setSaid(null);
          if (there) begin({ zoneId: there.zoneId, patchId: there.id });
          else if (touched) {
            setZoneId(touched.id);
            mark(at);
          } else setSaid(t('plan.outside'));
        }}
      />
      {said ? (
        <Words weight="semi" tone="caution" role="status">
          {said}
        </Words>
      ) : null}
      <ZoneChips zones={lawn.zones} zoneId={zone.id} onChange={setZoneId} />
      <Title>{t('walk.choosePatch')}</Title>
      <View className="gap-3">
        {lawn.patches.map((patch) => {
          const state = stateOf({ zoneId: patch.zoneId, patchId: patch.id });
          return (
            <View key={patch.id} className="gap-1">
              <ListRow
                testID={`patch-${patch.number}`}
                title={t('lawn.patch', { number: patch.number })}
                lines={[
                  zoneOf(patch.zoneId),
                  t('mark.size', {
                    length: number(patch.lengthFt, 1),
                    width: number(patch.widthFt, 1),
                    shape: t(`mark.shape.${patch.shape}`),
                  }),
                ]}
                aside={state ? <Tag label={t(`mark.state.${state}`)} tone="good" /> : null}
                onPress={() => begin({ zoneId: patch.zoneId, patchId: patch.id })}
              />
              <View className="flex-row">
                <Button
                  kind="quiet"
                  label={t('mark.change', { number: patch.number })}
                  onPress={() => setMarking(patch)}
                />
              </View>
            </View>
          );
        })}
        <Button
          kind="plain"
          label={t('mark.add', { zone: zone.name })}
          onPress={() => mark(labelPlace(zone.outline))}
        />
        <ListRow
          testID="whole-zone"
          title={t('mark.wholeZone', { zone: zone.name })}
          lines={[t('common.ft2', { value: number(zoneArea(zone)) })]}
          aside={whole ? <Tag label={t(`mark.state.${whole}`)} tone="good" /> : null}
          onPress={() => begin({ zoneId: zone.id, patchId: null })}
        />
      </View>
      <MarkPatchSheet
        lawn={lawn}
        patch={marking}
        onClose={() => setMarking(null)}
        onKept={(patch, look) => {
          setMarking(null);
          setZoneId(patch.zoneId);
          if (look) begin({ zoneId: patch.zoneId, patchId: patch.id });
        }}
      />
    </Screen>
  );
}

const largest = ({ zones }: Lawn): Zone =>
  [...zones].sort((a, b) => zoneArea(b) - zoneArea(a))[0] as Zone;
