import {
  fertilizers,
  grasses,
  herbicides,
  treatments,
  type GrassSlug,
  type ShelfLabel,
} from '@alfombra/core';
import { labelOddities } from '@alfombra/core/judging';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useFailureWords } from '@/api/useFailureWords';
import {
  Button,
  Card,
  Chip,
  Choices,
  Failed,
  Field,
  focusFirstFault,
  Loading,
  NumberField,
  type NumberText,
  Screen,
  SelectField,
  Title,
  Words,
} from '@/ui';
import { draftOfLabel, newDraft, readLabel, type LabelDraft, type LabelFigure } from './readLabel';
import { entryName, seedEntries } from './seedEntries';
import { useShelf } from './useShelf';

const SIGNALS = ['none', 'caution', 'warning', 'danger'] as const;
const UNITS = ['fl-oz', 'oz', 'lb', 'million'] as const;
const DESIRED = grasses.filter(({ roles }) => roles.includes('desired')).map(({ slug }) => slug);

/** One label of the shelf: typed once, held against the library, and from then on outranking it. */
export function LabelScreen({ labelId, base }: { labelId: string; base: string | null }) {
  const { t } = useTranslation();
  const shelf = useShelf();
  const known = shelf.labels.find(({ id }) => id === labelId);
  if (!shelf.ready) {
    return (
      <Screen title={t('shelf.title')} dye="indigo">
        <Loading />
      </Screen>
    );
  }
  return <Form key={labelId} shelf={shelf} known={known ?? null} base={base ?? ''} />;
}

function Form({
  shelf,
  known,
  base,
}: {
  shelf: ReturnType<typeof useShelf>;
  known: ShelfLabel | null;
  base: string;
}) {
  const { t } = useTranslation();
  const router = useRouter();
  const words = useFailureWords();
  const nameOf = (kind: string, slug: string) => entryName(t, { kind, slug });
  const [id] = useState(() => known?.id ?? uuid());
  const [draft, setDraft] = useState<LabelDraft>(() =>
    known ? draftOfLabel(known) : newDraft(base, nameOf),
  );
  const [tried, setTried] = useState(false);
  const set = (part: Partial<LabelDraft>) => setDraft({ ...draft, ...part });
  const figure = (key: LabelFigure) => ({
    value: draft.figures[key],
    onChange: (value: NumberText) => set({ figures: { ...draft.figures, [key]: value } }),
    label: t(`shelf.field.${key}`),
    error: error(key),
    testID: `label-${key}`,
  });
  const { label, problems } = readLabel(draft, id);
  const error = (field: string) => {
    const problem = problems[field];
    return problem && (tried || problem !== 'missing') ? t(`shelf.problem.${problem}`) : undefined;
  };
  const odd = label ? labelOddities(label) : [];
  const back = '/guide/shelf';
  const unit = `${t(`unit.${draft.unit}`)}/A`;
  const options = [
    ...herbicides
      .filter(({ unit: own }) => own !== 'dose')
      .map(({ slug }) => ({ kind: 'herbicide', slug })),
    ...treatments.map(({ slug }) => ({ kind: 'treatment', slug })),
    ...fertilizers.map(({ slug }) => ({ kind: 'fertilizer', slug })),
    ...seedEntries(),
  ]
    .map((entry) => ({ value: `${entry.kind}:${entry.slug}`, label: entryName(t, entry) }))
    .sort((a, b) => a.label.localeCompare(b.label));
  return (
    <Screen
      title={known ? known.name : t('shelf.newTitle')}
      lead={t('shelf.formLead')}
      dye="indigo"
      back={back}
      footer={
        shelf.mayChange ? (
          <>
            {shelf.error ? <Failed message={words(shelf.error)} /> : null}
            <Button
              label={t('shelf.keep')}
              busy={shelf.busy ? t('common.loading') : null}
              onPress={() => {
                setTried(true);
                if (!label) focusFirstFault();
                else shelf.keep(label, () => router.push(back));
              }}
              testID="keep-label"
              wide
            />
          </>
        ) : (
          <Words tone="second">{t('shelf.ownerOnly')}</Words>
        )
      }
    >
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-1">
          <Card>
            <SelectField
              label={t('shelf.field.base')}
              value={draft.base}
              options={[{ value: '', label: t('shelf.noBase') }, ...options]}
              onChange={(value) =>
                setDraft(known ? { ...draft, base: value } : newDraft(value, nameOf))
              }
            />
            <Field
              label={t('shelf.field.name')}
              value={draft.name}
              onChange={(name) => set({ name })}
              error={error('name')}
              testID="label-name"
            />
            <Field
              label={t('shelf.field.registration')}
              value={draft.registration}
              onChange={(registration) => set({ registration })}
            />
            <Choices
              label={t('shelf.field.signalWord')}
              value={draft.signalWord}
              options={SIGNALS}
              nameOf={(option) => t(`shelf.signal.${option}`)}
              onChange={(signalWord) => set({ signalWord })}
            />
            <Field
              label={t('shelf.field.actives')}
              hint={t('shelf.activesHint')}
              value={draft.actives}
              onChange={(actives) => set({ actives })}
              error={error('actives')}
              multiline
            />
          </Card>
          <Card>
            <Title>{t('shelf.rates')}</Title>
            <Choices
              label={t('shelf.field.unit')}
              value={draft.unit}
              options={UNITS}
              nameOf={(option) => t(`unit.${option}`)}
              onChange={(own) => set({ unit: own })}
            />
            <View className="flex-row gap-3">
              <View className="flex-1">
                <NumberField {...figure('lowPerAcre')} unit={unit} />
              </View>
              <View className="flex-1">
                <NumberField {...figure('highPerAcre')} unit={unit} />
              </View>
            </View>
            <NumberField {...figure('maxPerYear')} unit={unit} />
            <View className="flex-row gap-3">
              <View className="flex-1">
                <NumberField {...figure('maxApplications')} />
              </View>
              <View className="flex-1">
                <NumberField {...figure('minIntervalDays')} unit={t('shelf.dayUnit')} />
              </View>
            </View>
          </Card>
        </View>
        <View className="gap-4 lg:flex-1">
          {odd.length > 0 ? (
            <Card tone="caution" testID="label-oddities">
              <Title>{t('shelf.oddTitle')}</Title>
              {odd.map(({ rule, field, inputs }) => (
                <Words key={`${rule}-${field}`}>
                  {t(`labelOdd.${rule}`, {
                    ...inputs,
                    ...(typeof inputs.grasses === 'string'
                      ? {
                          grasses: inputs.grasses
                            .split(' ')
                            .map((slug) => t(`grass.${slug}`))
                            .join(', '),
                        }
                      : {}),
                  })}
                </Words>
              ))}
            </Card>
          ) : null}
          <Card>
            <Title>{t('shelf.where')}</Title>
            <Choices
              label={t('shelf.field.homeLawns')}
              value={draft.homeLawns ? 'yes' : 'no'}
              options={['yes', 'no'] as const}
              nameOf={(option) => t(`shelf.home.${option}`)}
              onChange={(option) => set({ homeLawns: option === 'yes' })}
            />
            <Words size="note" weight="semi" tone="second">
              {t('shelf.field.turf')}
            </Words>
            <View className="flex-row flex-wrap gap-2">
              {DESIRED.map((slug) => (
                <Chip
                  key={slug}
                  label={t(`grass.${slug}`)}
                  chosen={draft.turf.includes(slug)}
                  onPress={() => set({ turf: toggled(draft.turf, slug) })}
                />
              ))}
            </View>
            <Words size="note" tone="quiet">
              {t('shelf.turfHint')}
            </Words>
            <Field
              label={t('shelf.field.siteBans')}
              value={draft.siteBans}
              onChange={(siteBans) => set({ siteBans })}
              multiline
            />
          </Card>
          <Card>
            <Title>{t('shelf.when')}</Title>
            <View className="flex-row gap-3">
              <View className="flex-1">
                <NumberField {...figure('airMinF')} unit="°F" />
              </View>
              <View className="flex-1">
                <NumberField {...figure('airMaxF')} unit="°F" />
              </View>
            </View>
            <View className="flex-row gap-3">
              <View className="flex-1">
                <NumberField {...figure('waterInIn')} unit="in" />
              </View>
              <View className="flex-1">
                <NumberField {...figure('rainfastHours')} unit={t('shelf.hourUnit')} />
              </View>
            </View>
            <NumberField {...figure('reentryHours')} unit={t('shelf.hourUnit')} />
            <View className="flex-row gap-3">
              <View className="flex-1">
                <NumberField {...figure('seedAfterWeeks')} unit={t('shelf.weekUnit')} />
              </View>
              <View className="flex-1">
                <NumberField {...figure('seedBeforeWeeks')} unit={t('shelf.weekUnit')} />
              </View>
            </View>
          </Card>
          <Card>
            <Title>{t('shelf.store')}</Title>
            <View className="flex-row gap-3">
              <View className="flex-1">
                <NumberField {...figure('packageAmount')} unit={t(`unit.${draft.unit}`)} />
              </View>
              <View className="flex-1">
                <NumberField {...figure('priceUsd')} unit="$" />
              </View>
            </View>
            <NumberField {...figure('packages')} />
            <Choices
              label={t('shelf.field.inUse')}
              value={draft.inUse ? 'yes' : 'no'}
              options={['yes', 'no'] as const}
              nameOf={(option) => t(`shelf.use.${option}`)}
              onChange={(option) => set({ inUse: option === 'yes' })}
            />
            {known && shelf.mayChange ? (
              <Button
                kind="quiet"
                label={t('shelf.remove')}
                onPress={() => shelf.remove(known.id, () => router.push(back))}
              />
            ) : null}
          </Card>
        </View>
      </View>
    </Screen>
  );
}

const toggled = (list: readonly GrassSlug[], slug: GrassSlug): GrassSlug[] =>
  list.includes(slug) ? list.filter((own) => own !== slug) : [...list, slug];
