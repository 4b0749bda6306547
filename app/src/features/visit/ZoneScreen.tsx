import {
  grass,
  grasses,
  mainGrass,
  PROBE_STOPS,
  probeVerdict,
  SOIL_TEXTURES,
  textureFromFeel,
  thatchVerdict,
  wilsonInterval,
  type GrassSlug,
  type Lawn,
  type Zone,
} from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawn, usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import {
  Button,
  Card,
  Chip,
  Choices,
  Failed,
  focusFirstFault,
  LinkButton,
  Loading,
  NumberField,
  type NumberText,
  numberText,
  percent,
  Screen,
  SelectField,
  Tag,
  Title,
  typedNumber,
  Words,
} from '@/ui';
import { useDraft } from '@/state/useDraft';
import { usePointCount } from './pointCountStore';

/** One zone: the grasses of its stand, the point count, and what the site is like. */
export function ZoneScreen({ lawnId, zoneId }: { lawnId: string; zoneId: string }) {
  const { t } = useTranslation();
  const lawn = useLawn(lawnId).data;
  const zone = lawn?.zones.find(({ id }) => id === zoneId);
  const back = `/lawns/${lawnId}/visit`;
  if (!lawn || !zone) {
    return (
      <Screen title={t('zone.title')} back={back}>
        <Loading />
      </Screen>
    );
  }
  return <Form key={zone.id} lawn={lawn} zone={zone} back={back} />;
}

interface Draft {
  stand: { species: GrassSlug; cover: NumberText }[];
  desired: GrassSlug[];
  site: Zone['site'];
  sunHours: NumberText;
  slope: NumberText;
  thatch: NumberText;
  probe: NumberText;
}

const draftOf = (zone: Zone): Draft => ({
  stand: zone.stand.map(({ species, cover }) => ({
    species,
    cover: numberText(cover * 100, 1),
  })),
  desired: zone.desired,
  site: zone.site,
  sunHours: numberText(zone.site.sunHours),
  slope: numberText(zone.site.slopePct),
  thatch: numberText(zone.site.thatchIn),
  probe: numberText(zone.site.probe?.depthIn ?? null),
});

function Form({ lawn, zone, back }: { lawn: Lawn; zone: Zone; back: string }) {
  const { t } = useTranslation();
  const router = useRouter();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  // The lawn that the draft was made from, whatever comes in while somebody types.
  const { draft, setDraft, from } = useDraft(lawn, (source) =>
    draftOf(source.zones.find(({ id }) => id === zone.id) ?? zone),
  );
  const [tried, setTried] = useState(false);
  const set = (change: Partial<Draft>) => setDraft({ ...draft, ...change });
  const setSite = (change: Partial<Zone['site']>) => set({ site: { ...draft.site, ...change } });
  const covers = draft.stand.map(({ cover }) => typedNumber(cover));
  const total = covers.reduce<number>((sum, cover) => sum + (cover ?? 0), 0);
  const inRange = (value: NumberText, most: number) => {
    const number = typedNumber(value);
    return value.trim() === '' || (number !== null && number >= 0 && number <= most);
  };
  const errors = {
    total: total > 100 ? t('zone.over') : undefined,
    desired: draft.desired.length === 0 ? t('zone.needsDesired') : undefined,
    sun: inRange(draft.sunHours, 16) ? undefined : t('zone.badSun'),
    slope: inRange(draft.slope, 100) ? undefined : t('zone.badSlope'),
    thatch: inRange(draft.thatch, 6) ? undefined : t('zone.badThatch'),
    probe: inRange(draft.probe, 24) ? undefined : t('zone.badProbe'),
  };
  const badCover = covers.map((cover) => cover === null || cover < 0 || cover > 100);
  const sound = !badCover.some(Boolean) && Object.values(errors).every((error) => !error);
  const probeIn = typedNumber(draft.probe);
  const thatchIn = typedNumber(draft.thatch);
  const main = mainGrass({
    stand: draft.stand.map(({ species }, index) => ({
      species,
      cover: (covers[index] ?? 0) / 100,
    })),
    desired: draft.desired.length > 0 ? draft.desired : zone.desired,
  });
  const stop = draft.site.probe?.stop ?? 'soft';
  const save = () => {
    setTried(true);
    if (!sound) return focusFirstFault();
    const next: Pick<Zone, 'stand' | 'desired' | 'site'> = {
      stand: draft.stand
        .map(({ species }, index) => ({ species, cover: (covers[index] as number) / 100 }))
        .filter(({ cover }) => cover > 0),
      desired: draft.desired,
      site: {
        ...draft.site,
        sunHours: typedNumber(draft.sunHours),
        slopePct: typedNumber(draft.slope),
        thatchIn,
        probe: probeIn === null ? null : { depthIn: probeIn, stop },
      },
    };
    putLawn.mutate(
      {
        from,
        lawn: {
          ...from,
          zones: from.zones.map((entry) => (entry.id === zone.id ? { ...entry, ...next } : entry)),
        },
      },
      { onSuccess: () => router.push(back) },
    );
  };
  const free = grasses.filter(({ slug }) => !draft.stand.some(({ species }) => species === slug));
  return (
    <Screen
      title={zone.name}
      lead={lawn.name}
      subject={lawn.name}
      back={back}
      footer={
        <>
          {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
          {tried && !sound ? (
            <Words weight="semi" tone="stop" role="alert">
              {errors.total ?? errors.desired ?? t('property.fixFirst')}
            </Words>
          ) : null}
          <Button
            label={t('common.save')}
            onPress={save}
            busy={putLawn.isPending ? t('common.loading') : null}
            testID="save-zone"
            wide
          />
        </>
      }
    >
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-1">
          <Card>
            <Title>{t('zone.stand')}</Title>
            <Words size="note" tone="second">
              {t('zone.standLead')}
            </Words>
            {draft.stand.map(({ species, cover }, index) => {
              const wanted = draft.desired.includes(species);
              return (
                <View key={species} className="gap-2 border-b-2 border-line pb-3">
                  <NumberField
                    label={t(`grass.${species}`)}
                    unit="%"
                    value={cover}
                    onChange={(next) =>
                      set({
                        stand: draft.stand.map((entry, at) =>
                          at === index ? { ...entry, cover: next } : entry,
                        ),
                      })
                    }
                    error={badCover[index] ? t('zone.badCover') : undefined}
                    testID={`cover-${species}`}
                  />
                  <View className="flex-row flex-wrap gap-2">
                    <Chip
                      label={t('zone.wanted')}
                      chosen={wanted}
                      onPress={() =>
                        set({
                          desired: wanted
                            ? draft.desired.filter((slug) => slug !== species)
                            : [...draft.desired, species],
                        })
                      }
                    />
                    <Chip
                      label={t('zone.notHere')}
                      chosen={false}
                      onPress={() =>
                        set({ stand: draft.stand.filter((entry) => entry.species !== species) })
                      }
                    />
                  </View>
                </View>
              );
            })}
            <Words weight="semi" tone={errors.total ? 'stop' : 'second'}>
              {t('zone.left', { share: Math.max(0, Math.round(100 - total)) })}
            </Words>
            <SelectField
              label={t('zone.addGrass')}
              value=""
              options={[
                { value: '', label: '–' },
                ...free.map(({ slug }) => ({ value: slug as string, label: t(`grass.${slug}`) })),
              ]}
              onChange={(slug) => {
                if (slug === '') return;
                const species = slug as GrassSlug;
                set({
                  stand: [...draft.stand, { species, cover: '' }],
                  desired:
                    draft.stand.length === 0 && grass(species).roles.includes('desired')
                      ? [species]
                      : draft.desired,
                });
              }}
            />
            <LinkButton
              kind="plain"
              label={t('zone.openKey')}
              href={`/lawns/${lawn.id}/key?zone=${zone.id}`}
            />
          </Card>
          <PointCount zone={zone} />
        </View>
        <View className="gap-4 lg:flex-1">
          <Card>
            <Title>{t('zone.site')}</Title>
            <Choices
              label={t('zone.irrigation')}
              value={draft.site.irrigated === null ? 'unseen' : draft.site.irrigated ? 'yes' : 'no'}
              options={['yes', 'no', 'unseen'] as const}
              nameOf={(option) => t(`zone.irrigated.${option}`)}
              onChange={(value) =>
                setSite({ irrigated: value === 'unseen' ? null : value === 'yes' })
              }
            />
            <NumberField
              label={t('zone.sun')}
              hint={t('zone.sunHint')}
              unit="h"
              value={draft.sunHours}
              onChange={(sunHours) => set({ sunHours })}
              error={errors.sun}
              testID="sun-hours"
            />
            {sunNote(draft, main) ? (
              <Words size="note" weight="semi" tone="caution">
                {t('zone.sunShort', { grass: t(`grass.${main}`), hours: grass(main).sunHours[0] })}
              </Words>
            ) : null}
            <NumberField
              label={t('zone.slope')}
              unit="%"
              value={draft.slope}
              onChange={(slope) => set({ slope })}
              error={errors.slope}
            />
            <NumberField
              label={t('zone.thatch')}
              unit="in"
              value={draft.thatch}
              onChange={(thatch) => set({ thatch })}
              error={errors.thatch}
              testID="thatch"
            />
            {thatchIn !== null && !errors.thatch ? (
              <Tag
                label={t(`zone.thatchVerdict.${thatchVerdict(thatchIn, main)}`)}
                tone={thatchVerdict(thatchIn, main) === 'fine' ? 'good' : 'caution'}
              />
            ) : null}
            <NumberField
              label={t('zone.probe')}
              hint={t('zone.probeHint')}
              unit="in"
              value={draft.probe}
              onChange={(probe) => set({ probe })}
              error={errors.probe}
              testID="probe-depth"
            />
            <Choices
              label={t('zone.stopLabel')}
              value={stop}
              options={PROBE_STOPS}
              nameOf={(option) => t(`zone.stop.${option}`)}
              onChange={(next) => setSite({ probe: { depthIn: probeIn ?? 0, stop: next } })}
            />
            {probeIn !== null && !errors.probe ? (
              <Tag
                label={t(`zone.probeVerdict.${probeVerdict(probeIn, stop)}`)}
                tone={probeVerdict(probeIn, stop) === 'adequate' ? 'good' : 'caution'}
              />
            ) : null}
          </Card>
          <Texture value={draft.site.texture} onChange={(texture) => setSite({ texture })} />
        </View>
      </View>
    </Screen>
  );
}

const sunNote = (draft: Draft, main: GrassSlug): boolean => {
  const hours = typedNumber(draft.sunHours);
  return hours !== null && hours < grass(main).sunHours[0];
};

const RIBBONS = [0, 0.5, 1.5, 2.5] as const;

/** Soil texture between the fingers, step by step, or picked straight from the list. */
function Texture({
  value,
  onChange,
}: {
  value: Zone['site']['texture'];
  onChange: (texture: Zone['site']['texture']) => void;
}) {
  const { t } = useTranslation();
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
        onChange={(slug) => onChange(slug === '' ? null : (slug as Zone['site']['texture']))}
      />
    </Card>
  );
}

/** Enough points for an interval that decides something. */
const GOOD_COUNT = 50;

/** Tap hit or miss at each pace; the share with its Wilson interval is what the 50 % rule reads. */
function PointCount({ zone }: { zone: Zone }) {
  const { t } = useTranslation();
  const { counts, tap, back, clear } = usePointCount();
  const count = counts[zone.id] ?? { hits: 0, points: 0, last: [] };
  const interval = count.points > 0 ? wilsonInterval(count.hits, count.points) : null;
  return (
    <Card testID="point-count">
      <Title>{t('zone.count')}</Title>
      <Words tone="second">{t('zone.countLead')}</Words>
      <View className="flex-row gap-2">
        <View className="flex-1">
          <Button label={t('zone.hit')} onPress={() => tap(zone.id, true)} testID="count-hit" />
        </View>
        <View className="flex-1">
          <Button
            kind="equal"
            label={t('zone.miss')}
            onPress={() => tap(zone.id, false)}
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
          <View className="flex-row gap-2">
            <Button kind="plain" label={t('plan.undo')} onPress={() => back(zone.id)} />
            <Button kind="plain" label={t('zone.countAgain')} onPress={() => clear(zone.id)} />
          </View>
        </>
      ) : null}
    </Card>
  );
}
