import { type DiagnosisInput } from '@alfombra/core';
import { argument, type SignArgument } from '@alfombra/core/walking';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { number, percent, Sheet, Tag, Words } from '@/ui';

function Lines({ title, rows }: { title: string; rows: readonly SignArgument[] }) {
  const { t } = useTranslation();
  return (
    <View className="gap-2">
      <Words weight="bold">{title}</Words>
      {rows.length === 0 ? <Words tone="quiet">{t('argue.nothing')}</Words> : null}
      {rows.map((row) => (
        <View key={row.sign} className="flex-row items-start gap-3">
          <View className="min-w-0 flex-1">
            <Words weight="semi">
              {t(row.answer ? 'argue.sawIt' : 'argue.notSeen', {
                sign: t(`sign.${row.sign}.label`),
              })}
            </Words>
            <Words size="note" tone="second">
              {t('argue.pWith', { p: number(row.p * 100), base: number(row.base * 100) })}
            </Words>
          </View>
          <Words weight="bold" tabular tone={row.oddsFactor > 1 ? 'good' : 'stop'}>
            {t('argue.timesUp', { factor: number(row.oddsFactor, row.oddsFactor < 10 ? 2 : 0) })}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** A probability opened: which signs spoke for and against it, and by how much. */
export function ArgumentSheet({
  input,
  cause,
  p,
  onClose,
}: {
  input: DiagnosisInput;
  cause: string | null;
  p: number;
  onClose: () => void;
}) {
  const { t } = useTranslation();
  if (!cause) return null;
  const spoken = argument(input, cause);
  return (
    <Sheet
      open
      title={t('argue.title', { cause: t(`cause.${cause}`), percent: percent(p) })}
      onClose={onClose}
    >
      <View className="gap-1">
        <Words weight="bold">{t('argue.before')}</Words>
        {input.protection[cause] ? (
          <Words weight="semi">{t(`argue.protection.${input.protection[cause]}`)}</Words>
        ) : null}
        <Words>
          {t('argue.prior', {
            percent: number(spoken.prior * 100, 1),
            base: number(spoken.factors.baseWeight),
            host: number(spoken.factors.host, 2),
            month: number(spoken.factors.month, 2),
            soil: number(spoken.factors.soil, 2),
          })}
        </Words>
      </View>
      <Lines title={t('argue.for')} rows={spoken.for} />
      <Lines title={t('argue.against')} rows={spoken.against} />
      {spoken.silent.length > 0 ? (
        <View className="gap-1">
          <Words weight="bold">{t('argue.silent')}</Words>
          <Words tone="second">
            {spoken.silent.map((slug) => t(`sign.${slug}.label`)).join(', ')}
          </Words>
        </View>
      ) : null}
      <Tag label={t('source.memory')} tone="caution" />
      <Words size="note" tone="second">
        {t('argue.source')}
      </Words>
    </Sheet>
  );
}
