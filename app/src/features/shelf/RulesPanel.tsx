import { policySchema, type Company } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useFailureWords } from '@/api/useFailureWords';
import { SeasonsProgress } from '@/features/season/SeasonsProgress';
import {
  Button,
  Card,
  Choices,
  Failed,
  Field,
  NumberField,
  type NumberText,
  numberText,
  Title,
  typedNumber,
  Words,
} from '@/ui';
import type { useShelf } from './useShelf';

type Ordinance = Company['policy']['ordinance'];
const FIELDS = ['from', 'to', 'once', 'year'] as const;
type Draft = Record<'from' | 'to', string> & Record<'once' | 'year', NumberText>;

const draftOf = ({ blackout, mostNitrogen, mostNitrogenYear }: Ordinance): Draft => ({
  from: blackout?.[0] ?? '',
  to: blackout?.[1] ?? '',
  once: numberText(mostNitrogen),
  year: numberText(mostNitrogenYear),
});

const isDay = (text: string) => /^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/.test(text.trim());

/** What is wrong in each field, by the key of its words. */
function errorsOf(draft: Draft): Partial<Record<keyof Draft, string>> {
  const errors: Partial<Record<keyof Draft, string>> = {};
  const both = draft.from.trim() !== '' || draft.to.trim() !== '';
  if (both && !isDay(draft.from)) errors.from = 'rulesUi.error.day';
  if (both && !isDay(draft.to)) errors.to = 'rulesUi.error.day';
  for (const key of ['once', 'year'] as const) {
    const value = typedNumber(draft[key]);
    if (draft[key].trim() !== '' && (value === null || value <= 0)) {
      errors[key] = 'rulesUi.error.positive';
    }
  }
  return errors;
}

/** What the place has ruled, and who does the work: the plan keeps to it and the checker judges by it. */
export function RulesPanel({ shelf }: { shelf: ReturnType<typeof useShelf> }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const { ordinance, certified } = shelf.policy;
  const [draft, setDraft] = useState(() => draftOf(ordinance));
  const [tried, setTried] = useState(false);
  const [kept, setKept] = useState(false);
  const errors = errorsOf(draft);
  const error = (key: keyof Draft) => {
    const wrong = errors[key];
    return tried && wrong ? t(wrong) : undefined;
  };
  const set =
    <Key extends keyof Draft>(key: Key) =>
    (text: Draft[Key]) => {
      setKept(false);
      setDraft({ ...draft, [key]: text });
    };
  const change = (part: Partial<Company['policy']>) =>
    shelf.change(part, () => {
      setKept(true);
      setTried(false);
    });
  const save = () => {
    setTried(true);
    if (Object.keys(errors).length > 0) return;
    const next = policySchema.shape.ordinance.parse({
      ...ordinance,
      blackout: draft.from.trim() === '' ? null : [draft.from.trim(), draft.to.trim()],
      mostNitrogen: typedNumber(draft.once),
      mostNitrogenYear: typedNumber(draft.year),
    });
    change({ ordinance: next });
  };
  const fixed = !shelf.mayChange;
  return (
    <>
      {shelf.error ? <Failed message={words(shelf.error)} /> : null}
      {fixed ? <Words tone="second">{t('rulesUi.ownerOnly')}</Words> : null}
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="lg:flex-1">
          {' '}
          <Card>
            <Title>{t('rulesUi.fertilizer')}</Title>
            <Words tone="second">{t('rulesUi.lead')}</Words>
            {fixed ? (
              FIELDS.map((key) => (
                <Words
                  key={key}
                >{`${t(`rulesUi.${key}`)}: ${draft[key] || t('rulesUi.none')}`}</Words>
              ))
            ) : (
              <>
                <Field
                  label={t('rulesUi.from')}
                  hint={t('rulesUi.dayHint')}
                  value={draft.from}
                  onChange={set('from')}
                  error={error('from')}
                  testID="rules-from"
                />
                <Field
                  label={t('rulesUi.to')}
                  value={draft.to}
                  onChange={set('to')}
                  error={error('to')}
                  testID="rules-to"
                />
                <NumberField
                  label={t('rulesUi.once')}
                  unit={t('rulesUi.unit')}
                  value={draft.once}
                  onChange={set('once')}
                  error={error('once')}
                  testID="rules-once"
                />
                <NumberField
                  label={t('rulesUi.year')}
                  unit={t('rulesUi.unit')}
                  value={draft.year}
                  onChange={set('year')}
                  error={error('year')}
                  testID="rules-year"
                />
                <Button
                  label={t('rulesUi.save')}
                  onPress={save}
                  disabled={shelf.busy}
                  testID="rules-save"
                />
              </>
            )}
            {fixed ? (
              <Words>
                {`${t('rulesUi.phosphorus')}: ${t(ordinance.phosphorusNeedsReason ? 'rulesUi.p.reason' : 'rulesUi.p.free')}`}
              </Words>
            ) : (
              <Choices
                label={t('rulesUi.phosphorus')}
                value={ordinance.phosphorusNeedsReason ? 'reason' : 'free'}
                options={['free', 'reason'] as const}
                nameOf={(option) => t(`rulesUi.p.${option}`)}
                onChange={(option) =>
                  change({
                    ordinance: { ...ordinance, phosphorusNeedsReason: option === 'reason' },
                  })
                }
              />
            )}
            {kept ? (
              <Words role="status" tone="good" weight="semi" testID="rules-kept">
                {t('rulesUi.kept')}
              </Words>
            ) : null}
            {kept ? <SeasonsProgress /> : null}
          </Card>
        </View>
        <View className="lg:flex-1">
          {' '}
          <Card>
            <Title>{t('rulesUi.licence')}</Title>
            <Words tone="second">{t('rulesUi.licenceLead')}</Words>
            {fixed ? (
              <Words>{t(certified ? 'rulesUi.who.certified' : 'rulesUi.who.other')}</Words>
            ) : (
              <Choices
                label={t('rulesUi.whoDoes')}
                value={certified ? 'certified' : 'other'}
                options={['certified', 'other'] as const}
                nameOf={(option) => t(`rulesUi.who.${option}`)}
                onChange={(option) => change({ certified: option === 'certified' })}
              />
            )}
          </Card>
        </View>
      </View>
      <Words size="note" tone="quiet">
        {t('rulesUi.caution')}
      </Words>
    </>
  );
}
