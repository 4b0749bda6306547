import type { Decision, LocalDate } from '@alfombra/core';
import type { Diagnosis } from '@alfombra/core/walking';
import { useTranslation } from 'react-i18next';
import { ChoiceGroup, daysOn, percent, PickerField } from '@/ui';
import { CannotTellCard } from './CannotTellCard';
import { CauseOption } from './CauseOption';
import { CauseSearch } from './CauseSearch';

/** Days until an undecided patch is looked at again. */
const RECHECK_DAYS = 7;
const LEAVE_DAYS = 14;

/** What it is: one of the leading causes, any other by its name, or that nobody can tell yet. */
export function CauseChoices({
  diagnosis,
  leading,
  decision,
  today,
  tried,
  badSample,
  badDay,
  onDecide,
}: {
  diagnosis: Diagnosis;
  leading: readonly { cause: string; p: number }[];
  decision: Decision | null;
  today: LocalDate;
  /** Somebody wanted to save it. */
  tried: boolean;
  badSample: boolean;
  badDay: boolean;
  onDecide: (decision: Decision) => void;
}) {
  const { t } = useTranslation();
  const top = leading[0];
  const chosen = decision?.kind === 'cause' ? decision.cause : null;
  const confirm = (cause: string) =>
    onDecide({ kind: 'cause', cause, option: null, by: 'look', lookAgainOn: null });
  const choose = (value: string) => {
    if (value === 'cannot-tell') {
      onDecide({
        kind: 'cannot-tell',
        lookAgainOn: daysOn(today, RECHECK_DAYS) as typeof today,
        sample: null,
      });
    } else if (value === 'leave') {
      onDecide({
        kind: 'leave',
        cause: top && top.p >= 0.5 ? top.cause : null,
        lookAgainOn: daysOn(today, LEAVE_DAYS) as typeof today,
      });
    } else confirm(value);
  };
  return (
    <ChoiceGroup
      label={t('decide.title')}
      className="flex flex-col gap-2"
      value={decision ? (chosen ?? decision.kind) : null}
      onChange={choose}
    >
      {leading.map(({ cause, p }) => (
        <CauseOption
          key={cause}
          value={cause}
          testID={`confirm-${cause}`}
          label={t('decide.confirm', { cause: t(`cause.${cause}`) })}
          aside={t('common.percent', { value: percent(p) })}
          chosen={chosen === cause}
        />
      ))}
      <CauseSearch chosen={chosen} without={leading.map(({ cause }) => cause)} />
      <CauseOption
        value="cannot-tell"
        testID="cannot-tell"
        label={t('decide.cannotTell')}
        lead={t('decide.cannotTellLead')}
        chosen={decision?.kind === 'cannot-tell'}
      />
      <CauseOption
        value="leave"
        testID="leave"
        label={t('decide.leave')}
        lead={t('decide.leaveLead')}
        chosen={decision?.kind === 'leave'}
      />
      {decision?.kind === 'cannot-tell' ? (
        <CannotTellCard
          diagnosis={diagnosis}
          today={today}
          sample={decision.sample}
          bad={tried && badSample}
          onSample={(sample) => onDecide({ ...decision, sample })}
        />
      ) : null}
      {decision && decision.kind !== 'cause' ? (
        <PickerField
          type="date"
          label={t('decide.lookAgain')}
          value={decision.lookAgainOn}
          min={daysOn(today, 1)}
          onChange={(lookAgainOn) =>
            lookAgainOn !== '' &&
            onDecide({ ...decision, lookAgainOn: lookAgainOn as typeof today })
          }
          error={badDay ? t('decide.pastDay') : undefined}
        />
      ) : null}
    </ChoiceGroup>
  );
}
