import { applicationsOf, daysBetween, hoursOf, type WorkStep } from '@alfombra/core';
import {
  atKerb,
  judgeContext,
  kerbOfAll,
  momentOf,
  type HourVerdict,
  type KerbHour,
  type KerbVerdict,
} from '@alfombra/core/kerb';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { useSamples } from '@/api/queries';
import { WINDS } from '@/features/record/recordDraft';
import { checkWords } from '@/features/season/reasonWords';
import { kerbNoteOf, useKerbStore, type KerbNote } from '@/state/kerbStore';
import type { SeasonQuestion, SeasonView } from '@/workers/seasonView';
import {
  Card,
  Chip,
  Choice,
  ChoiceGroup,
  daysOn,
  hourName,
  NumberField,
  SelectField,
  shortDay,
  typedNumber,
  Words,
} from '@/ui';

const TONE: Record<KerbVerdict, 'good' | 'caution' | 'stop'> = {
  go: 'good',
  adjust: 'caution',
  hold: 'stop',
};
const THREAD: Record<KerbVerdict, string> = {
  go: 'var(--good)',
  adjust: 'var(--caution)',
  hold: 'var(--stop)',
};
/** Hours from daylight to dusk that the strip shows. */
const FIRST_HOUR = 6;
const LAST_HOUR = 20;

/** Go, hold or adjust: at this hour, and when it becomes a go. */
export function KerbCard({
  question,
  view,
  steps,
}: {
  question: SeasonQuestion;
  view: SeasonView;
  /** Lines of one job, of which the worst counts. */
  steps: readonly WorkStep[];
}) {
  const { t } = useTranslation();
  const { lawn, company, weather, records } = question;
  const samples = useSamples(lawn.id).data ?? [];
  const [hourNow] = useState(() => new Date().getHours());
  const kept = useKerbStore(({ note }) => note);
  const write = useKerbStore((state) => state.write);
  const [openedAt] = useState(() => Date.now());
  const { seen, wind, windFrom } = kerbNoteOf(kept, lawn.id, Math.max(openedAt, kept?.at ?? 0));
  const note = (more: Partial<KerbNote>) =>
    write({ lawnId: lawn.id, seen, wind, windFrom, ...more });
  const [picked, setPicked] = useState<number | null>(null);
  const hours = useMemo(() => {
    const today = weather.days[weather.days.length - 1]!;
    return [today, ...weather.forecast.slice(0, 2)].flatMap((day) =>
      hoursOf(day).map((hour): KerbHour => ({
        ...hour,
        index: daysBetween(company.today, day.date) * 24 + hour.hour,
        dayHighF: day.tmaxF,
      })),
    );
  }, [weather, company.today]);
  const windMph = typedNumber(wind);
  const answers = steps.flatMap((step) => {
    const zone = lawn.zones.find(({ id }) => id === step.zoneId);
    const application = applicationsOf(step, company.today)[0];
    const context =
      zone &&
      application &&
      judgeContext(
        lawn,
        { zoneId: zone.id, date: company.today },
        {
          others: records,
          policy: company.policy,
          samples,
          moment: momentOf(company.today, weather, view.soil[zone.id]),
          ...(step.kind === 'control' && step.kill ? { kill: true } : {}),
        },
      );
    if (!context) return [];
    const answer = atKerb(
      {
        ...application,
        ...('cause' in step ? { targets: [step.cause] } : {}),
        ...('control' in step ? { targets: step.control.map(({ weed }) => weed) } : {}),
      },
      context,
      hours,
      hourNow,
      { ...seen, ...(windMph !== null && windMph >= 0 ? { windMph } : {}) },
    );
    return [{ zone: zone.name, answer }];
  });
  if (answers.length === 0) return null;
  const answer = kerbOfAll(answers);
  const shown = answer.hours.find(({ index }) => index === picked) ?? answer.now;
  const when = (hour: HourVerdict) =>
    t(hour.index < 24 ? 'kerb.at' : 'kerb.atDay', {
      hour: hourName(hour.hour),
      day: shortDay(daysOn(company.today, Math.floor(hour.index / 24))),
    });
  const strip = answer.hours.filter(
    ({ index, hour }) => index < 24 && hour >= FIRST_HOUR && hour <= LAST_HOUR,
  );
  return (
    <Card testID="kerb">
      <View className="flex-row items-baseline gap-3">
        <Words size="figure" weight="bold" tone={TONE[shown.verdict]} testID="kerb-verdict">
          {t(`kerb.${shown.verdict}`)}
        </Words>
        <Words tone="second">{when(shown)}</Words>
      </View>
      {answer.now.verdict !== 'go' ? (
        <Words weight="semi" testID="kerb-next">
          {answer.next
            ? t(answer.next.verdict === 'go' ? 'kerb.nextGo' : 'kerb.nextAdjust', {
                when: when(answer.next),
              })
            : t('kerb.never')}
        </Words>
      ) : null}
      <ChoiceGroup
        label={t('kerb.hours')}
        value={String(shown.index)}
        onChange={(index) => setPicked(Number(index))}
        className="flex flex-row flex-wrap"
      >
        {strip.map((hour) => {
          const chosen = hour.index === shown.index;
          return (
            <Choice
              key={hour.index}
              value={String(hour.index)}
              className={`min-h-[56px] w-[48px] flex-col items-center justify-end gap-1 rounded-lg border-2 pb-0.5 pt-1 ${chosen ? 'border-ink bg-panel' : 'border-transparent'}`}
            >
              <HourThreads verdict={hour.verdict} />
              <Words size="note" weight={chosen ? 'bold' : 'regular'} tabular>
                {hourName(hour.hour)}
                <Words className="sr-only">{`, ${t(`kerb.${hour.verdict}`)}`}</Words>
              </Words>
            </Choice>
          );
        })}
      </ChoiceGroup>
      {shown.reasons.map((reason, index) => (
        <Words
          key={`${reason.rule}-${reason.material ?? ''}-${index}`}
          tone={reason.severity === 'exceeds' ? 'stop' : 'caution'}
          weight="semi"
        >
          {`${reason.zones ? `${reason.zones.join(', ')}: ` : ''}${
            ['dark', 'inversion', 'late-heat', 'wilting'].includes(reason.rule)
              ? t(`kerb.rule.${reason.rule}`, reason.inputs)
              : checkWords(t, reason)
          }`}
        </Words>
      ))}
      <Words size="note" weight="semi" tone="second">
        {t('kerb.seen')}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {(['wilting', 'leafWet', 'saturated', 'bloom'] as const).map((key) => (
          <Chip
            key={key}
            label={t(`kerb.see.${key}`)}
            chosen={seen[key] === true}
            onPress={() => note({ seen: { ...seen, [key]: seen[key] !== true } })}
          />
        ))}
      </View>
      <NumberField
        label={t('kerb.wind')}
        unit="mph"
        value={wind}
        onChange={(typed) => note({ wind: typed })}
        testID="kerb-wind"
      />
      <SelectField
        label={t('record.windFrom')}
        value={windFrom}
        options={[
          { value: '', label: t('kerb.windFromUnseen') },
          ...WINDS.map((value) => ({ value, label: t(`record.winds.${value}`) })),
        ]}
        onChange={(from) => note({ windFrom: from })}
      />
      <Words size="note" tone="quiet">
        {t('kerb.caution')}
      </Words>
    </Card>
  );
}

/** An hour as three warp threads: whole to go, the middle one parted to adjust, all cut and barred to hold. */
function HourThreads({ verdict }: { verdict: KerbVerdict }) {
  const dye = THREAD[verdict];
  return (
    <Svg width={26} height={26} viewBox="0 0 26 26" aria-hidden>
      {[6, 13, 20].map((x) => (
        <Path
          key={x}
          d={
            verdict === 'hold'
              ? `M${x} 2V7M${x} 19V24`
              : verdict === 'adjust' && x === 13
                ? `M${x} 2V9M${x} 17V24`
                : `M${x} 2V24`
          }
          stroke={dye}
          strokeWidth={3}
          strokeLinecap="round"
        />
      ))}
      {verdict === 'hold' ? (
        <Path d="M3 13H23" stroke={dye} strokeWidth={4} strokeLinecap="round" />
      ) : null}
    </Svg>
  );
}
