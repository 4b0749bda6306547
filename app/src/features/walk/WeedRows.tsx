import { weeds as allWeeds, type WeedFinding } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { WeedDraft } from '@/state/walkStore';
import {
  Button,
  Card,
  Chip,
  Field,
  LinkButton,
  NumberField,
  numberText,
  percent,
  SelectField,
  Title,
  Words,
} from '@/ui';

const STAGES = ['seedling', 'untillered', '2-4-tiller', 'mature-seeded', 'flowering'] as const;
const OFFERED = 8;
/** Where a tapped weed starts, per cent of the ground; the technician says how much it is. */
const FIRST_PCT = 5;

/** The weeds of the zone: those on the plan as they are drawn, the others as they are tapped here. */
export function WeedRows({
  drafts,
  bad,
  drawn,
  planHref,
  onChange,
}: {
  drafts: readonly WeedDraft[];
  /** Per row: whether its cover is bad. */
  bad: readonly boolean[];
  drawn: readonly WeedFinding[];
  planHref: string;
  onChange: (drafts: WeedDraft[]) => void;
}) {
  const { t } = useTranslation();
  const change = (index: number, part: Partial<WeedDraft>) =>
    onChange(drafts.map((draft, at) => (at === index ? { ...draft, ...part } : draft)));
  return (
    <>
      <View className="gap-1">
        <Title>{t('decide.weeds')}</Title>
        <Words tone="second">{t('decide.weedsLead')}</Words>
      </View>
      {drawn.length > 0 ? (
        <Card>
          <Words weight="semi">{t('decide.drawn')}</Words>
          {drawn.map(({ weed, cover }) => (
            <Words key={weed}>
              {t('decide.drawnWeed', { weed: t(`weed.${weed}`), share: percent(cover) })}
            </Words>
          ))}
          <LinkButton kind="plain" label={t('decide.toPlan')} href={planHref} />
        </Card>
      ) : null}
      {drafts.map((draft, index) => (
        <Card key={draft.weed}>
          <View className="flex-row items-center gap-3">
            <Words weight="bold" className="min-w-0 flex-1">
              {t(`weed.${draft.weed}`)}
            </Words>
            <Button
              kind="quiet"
              label={t('decide.removeShort')}
              onPress={() => onChange(drafts.filter((_, at) => at !== index))}
            />
          </View>
          <View className="flex-row flex-wrap items-end gap-3">
            <View className="w-[130px]">
              <NumberField
                label={t('decide.cover')}
                unit="%"
                value={draft.cover}
                testID={`cover-${draft.weed}`}
                onChange={(cover) => change(index, { cover })}
                error={bad[index] ? t('decide.coverRange') : undefined}
              />
            </View>
            <View className="min-w-[150px] flex-1">
              <SelectField
                label={t('plan.stageLabel')}
                value={draft.stage ?? ''}
                options={[
                  { value: '', label: t('zone.irrigated.unseen') },
                  ...STAGES.map((value) => ({
                    value: value as string,
                    label: t(`plan.stage.${value}`),
                  })),
                ]}
                onChange={(stage) =>
                  change(index, { stage: stage === '' ? undefined : (stage as WeedDraft['stage']) })
                }
              />
            </View>
            <Chip
              label={t(draft.growing ? 'decide.growing' : 'decide.known')}
              chosen={draft.growing}
              onPress={() => change(index, { growing: !draft.growing })}
            />
          </View>
        </Card>
      ))}
      <AddWeed
        taken={[...drafts, ...drawn].map(({ weed }) => weed)}
        onAdd={(weed) =>
          onChange([...drafts, { weed, cover: numberText(FIRST_PCT), growing: true }])
        }
      />
    </>
  );
}

function AddWeed({ taken, onAdd }: { taken: readonly string[]; onAdd: (weed: string) => void }) {
  const { t } = useTranslation();
  const [query, setQuery] = useState('');
  const wanted = query.trim().toLowerCase();
  const found =
    wanted === ''
      ? []
      : allWeeds
          .filter(({ slug }) => !taken.includes(slug))
          .filter(({ slug }) => t(`weed.${slug}`).toLowerCase().includes(wanted))
          .slice(0, OFFERED);
  return (
    <View className="gap-3">
      <Field label={t('decide.addWeed')} value={query} onChange={setQuery} testID="find-weed" />
      <View className="flex-row flex-wrap gap-2">
        {found.map(({ slug }) => (
          <Chip
            key={slug}
            label={t(`weed.${slug}`)}
            chosen={false}
            onPress={() => {
              onAdd(slug);
              setQuery('');
            }}
          />
        ))}
      </View>
    </View>
  );
}
