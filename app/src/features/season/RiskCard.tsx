import type { Risk, RiskClass } from '@alfombra/core/planning';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { Card, number, Sheet, shortDay, Tag, Title, Words } from '@/ui';

const BAR: Record<RiskClass, string> = {
  low: 'h-[5px] bg-thread',
  watch: 'h-[14px] bg-weld',
  warn: 'h-[26px] bg-[#B9472F]',
};
/** Rows shown before "more" is asked for. */
const FIRST = 3;

/** Today and the forecast, one bar a day: the higher, the riskier. */
function Days({ risk }: { risk: Risk }) {
  return (
    <View aria-hidden className="h-[28px] flex-row items-end gap-[3px]">
      {risk.days.map(({ date, class: state }) => (
        <View key={date} className={`w-[9px] rounded-sm ${BAR[state]}`} />
      ))}
    </View>
  );
}

/** What the weather of these days favours on this lawn; each row opens to its model and its limits. */
export function RiskCard({ risks }: { risks: readonly Risk[] }) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<Risk | null>(null);
  const raised = risks.filter(({ worst }) => worst !== 'low');
  const shown = all ? risks : raised.slice(0, FIRST);
  if (risks.length === 0) return null;
  return (
    <Card testID="risk">
      <Title>{t('riskCard.title')}</Title>
      {raised.length === 0 ? <Words tone="second">{t('riskCard.quiet')}</Words> : null}
      {shown.map((risk) => (
        <Pressable
          key={risk.problem}
          role="button"
          onPress={() => setOpen(risk)}
          className="min-h-[48px] flex-row items-center gap-3"
          testID={`risk-${risk.problem}`}
        >
          <View className="min-w-0 flex-1">
            <Words weight="bold">{t(`risk.problem.${risk.problem}`)}</Words>
            <Words
              size="note"
              tone={risk.worst === 'warn' ? 'stop' : risk.worst === 'watch' ? 'caution' : 'second'}
            >
              {t(`riskCard.class.${risk.worst}`)}
            </Words>
          </View>
          {risk.sighted ? <Tag label={t('riskCard.sighted')} tone="caution" /> : null}
          <Days risk={risk} />
        </Pressable>
      ))}
      {risks.length > shown.length || all ? (
        <Pressable
          role="button"
          onPress={() => setAll(!all)}
          className="min-h-[48px] justify-center"
          testID="all-risks"
        >
          <Words weight="semi">
            {all ? t('common.less') : t('riskCard.all', { count: risks.length })}
          </Words>
        </Pressable>
      ) : null}
      <Words size="note" tone="quiet">
        {t('riskCard.caution')}
      </Words>
      <Sheet
        open={open !== null}
        title={open ? t(`risk.problem.${open.problem}`) : ''}
        onClose={() => setOpen(null)}
      >
        {open ? <Model risk={open} /> : null}
      </Sheet>
    </Card>
  );
}

function Model({ risk }: { risk: Risk }) {
  const { t } = useTranslation();
  return (
    <View className="gap-3">
      <Words>{t(`riskCard.model.${risk.problem}`)}</Words>
      {risk.days.map(({ date, value, class: state }) => (
        <View key={date} className="flex-row gap-3">
          <Words tabular className="w-[80px]">
            {shortDay(date)}
          </Words>
          <Words tabular className="flex-1">
            {value === null
              ? t('riskCard.noValue')
              : t(`riskCard.value.${risk.problem}`, {
                  value: number(risk.problem === 'dollar-spot' ? value * 100 : value, 0),
                })}
          </Words>
          <Words weight="semi">{t(`riskCard.class.${state}`)}</Words>
        </View>
      ))}
      <Words size="note" tone="second">
        {t('riskCard.host', { digit: risk.host })}
      </Words>
      <Words size="note" tone="quiet">
        {risk.source.ref ?? t(`source.${risk.source.kind}`)}
      </Words>
    </View>
  );
}
