import { cause as causeOf, type LocalDate } from '@alfombra/core';
import type { DecideAdvice, DecideOption, OptionKind } from '@alfombra/core/walking';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Choice, ChoiceGroup, number, shortDay, Tag, Title, Words } from '@/ui';

/** What can be done about a cause: what the rules allow and why, and why not the rest. */
export function OptionsCard({
  advice,
  cause,
  chosen,
  onChoose,
}: {
  advice: DecideAdvice;
  cause: string;
  chosen: OptionKind | null;
  onChoose: (option: OptionKind, lookAgainOn: LocalDate | null) => void;
}) {
  const { t } = useTranslation();
  const { options, recommended, ifNothing, fillWeeks } = advice;
  const followUpOf = (kind: OptionKind) =>
    options.find((option) => option.kind === kind)?.followUps[0] ?? null;
  const barred = options.filter(({ allowed }) => !allowed);
  return (
    <Card testID="options">
      <Title>{t('option.title')}</Title>
      <Words>
        {[
          t(`option.ifNothing.${ifNothing}`),
          fillWeeks
            ? t('option.fill', { low: number(fillWeeks[0], 1), high: number(fillWeeks[1], 1) })
            : t('option.noFill'),
        ].join(' ')}
      </Words>
      <ChoiceGroup
        label={t('option.title')}
        className="flex flex-col gap-3"
        value={chosen}
        onChange={(kind) => onChoose(kind, followUpOf(kind))}
      >
        {options
          .filter(({ allowed }) => allowed)
          .map((option) => (
            <Option
              key={option.kind}
              option={option}
              cause={cause}
              recommended={option.kind === recommended}
              chosen={option.kind === chosen}
            />
          ))}
      </ChoiceGroup>
      {barred.length > 0 ? (
        <View className="gap-1">
          <Words size="note" weight="semi" tone="second">
            {t('option.notNow')}
          </Words>
          {barred.map(({ kind, reasons }) => (
            <Words key={kind} size="note" tone="second">
              {`${t(`option.kind.${kind}`)}: ${reasons.map((reason) => t(`option.reason.${reason}`)).join('; ')}`}
            </Words>
          ))}
        </View>
      ) : null}
      <Words size="note" tone="quiet">
        {t('decide.caution')}
      </Words>
    </Card>
  );
}

function Option({
  option,
  cause,
  recommended,
  chosen,
}: {
  option: DecideOption;
  cause: string;
  recommended: boolean;
  chosen: boolean;
}) {
  const { t } = useTranslation();
  const { kind, reasons, cost, followUps } = option;
  return (
    <Choice
      value={kind}
      testID={`option-${kind}`}
      className={`flex-col gap-1 rounded-xl border-2 p-3 ${chosen ? 'border-main bg-good-tint' : 'border-line bg-raised'}`}
    >
      <View className="flex-row flex-wrap items-center gap-2">
        <Words weight="bold">
          {kind === 'fix'
            ? t('option.fix', { action: t(`action.${causeOf(cause)?.action ?? 'wait'}`) })
            : t(`option.kind.${kind}`)}
        </Words>
        {recommended ? <Tag label={t('option.first')} tone="good" /> : null}
        <Tag label={t(`option.cost.${cost}`)} />
      </View>
      <Words size="note">{reasons.map((reason) => t(`option.reason.${reason}`)).join('; ')}</Words>
      {followUps.length > 0 ? (
        <Words size="note" tone="second">
          {t('option.followUps', { days: followUps.map((day) => shortDay(day)).join(', ') })}
        </Words>
      ) : null}
    </Choice>
  );
}
