import type { LawnSummary } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useCompany, useLawns, useSession, useUpdateCompany } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { SignOutSheet, useLeave } from '@/features/sync/SignOutSheet';
import { chooseLanguage, LANGUAGES } from '@/i18n';
import { usePreferenceStore } from '@/state/preferenceStore';
import { useOutboxStore } from '@/state/sync/outboxStore';
import {
  Button,
  Card,
  Chip,
  Choices,
  Empty,
  Failed,
  KnotGlyph,
  ListRow,
  Loading,
  longDay,
  PickerField,
  Screen,
  Sheet,
  shortDay,
  Tag,
  VirtualList,
  Words,
} from '@/ui';

/** What is open today, the window that closes first on top. */
export function TodayScreen() {
  const { t, i18n } = useTranslation();
  const words = useFailureWords();
  const session = useSession();
  const company = useCompany();
  const lawns = useLawns();
  const { sunBright, setSunBright } = usePreferenceStore();
  const leave = useLeave();
  const unsent = useOutboxStore(({ writes }) => writes.length);
  const [leaving, setLeaving] = useState(false);
  const [moving, setMoving] = useState(false);
  const due = (lawns.data ?? [])
    .filter((lawn) => !lawn.archived && lawn.due.length > 0)
    .map((lawn) => ({
      lawn,
      first: [...lawn.due].sort((a, b) => (a.closes < b.closes ? -1 : 1))[0]!,
    }))
    .sort((a, b) => (a.first.closes < b.first.closes ? -1 : 1));
  return (
    <Screen
      title={t('today.title')}
      lead={company.data ? longDay(company.data.today) : undefined}
      aside={
        <Button
          kind="quiet"
          label={t('signIn.signOut')}
          onPress={() => (unsent > 0 ? setLeaving(true) : leave())}
        />
      }
    >
      {company.data?.clock.kind === 'fixed' ? (
        <Card tone="caution">
          <Words weight="semi">{t('today.fixedDay', { date: shortDay(company.data.today) })}</Words>
          {session.data?.role === 'owner' ? (
            <Button kind="equal" label={t('today.moveDay')} onPress={() => setMoving(true)} />
          ) : (
            <Words size="note" tone="second">
              {t('today.ownerOnly')}
            </Words>
          )}
        </Card>
      ) : null}
      {company.data ? <FollowUps lawns={lawns.data ?? []} today={company.data.today} /> : null}
      <Scouting lawns={lawns.data ?? []} />
      {lawns.error && !lawns.data ? (
        <Failed message={words(lawns.error)} onRetry={() => void lawns.refetch()} />
      ) : !lawns.data ? (
        <Loading />
      ) : due.length === 0 ? (
        <Empty title={t('today.nothing')} lead={t('today.nothingLead')} />
      ) : (
        <VirtualList items={due} keyOf={({ lawn }) => lawn.id} estimate={ROW_PX}>
          {drawDue}
        </VirtualList>
      )}
      <View className="flex-row flex-wrap items-end gap-4">
        <Chip
          label={t('today.sunBright')}
          chosen={sunBright}
          onPress={() => setSunBright(!sunBright)}
        />
        <Choices
          label={t('language.label')}
          value={LANGUAGES.find((language) => language === i18n.language) ?? null}
          options={LANGUAGES}
          nameOf={(language) => t(`language.${language}`)}
          onChange={chooseLanguage}
        />
      </View>
      <SignOutSheet open={leaving} onClose={() => setLeaving(false)} />
      {company.data ? (
        <MoveDay open={moving} onClose={() => setMoving(false)} today={company.data.today} />
      ) : null}
    </Screen>
  );
}

/** About what a lawn takes in the list. */
const ROW_PX = 86;

interface DueLawn {
  lawn: LawnSummary;
  first: LawnSummary['due'][number];
}

const drawDue = (due: DueLawn) => <DueRow {...due} />;

function DueRow({ lawn, first }: DueLawn) {
  const { t } = useTranslation();
  return (
    <ListRow
      title={lawn.name}
      lines={[
        `${t(`kind.${first.kind}`)} · ${first.zone}`,
        t('today.dueCount', { count: lawn.due.length }),
      ]}
      href={`/lawns/${lawn.id}`}
      aside={
        <View className="items-end gap-1">
          <KnotGlyph kind={first.kind} />
          <Tag label={t('today.closesSoon', { date: shortDay(first.closes) })} />
        </View>
      }
    />
  );
}

/** Lawns that somebody has to look at again or ask after, the longest waiting first. */
function FollowUps({ lawns, today }: { lawns: readonly LawnSummary[]; today: string }) {
  const { t } = useTranslation();
  const waiting = lawns
    .filter(({ archived }) => !archived)
    .flatMap((lawn) =>
      lawn.followUps
        .filter(({ kind, date }) => kind !== 'question' && date <= today)
        .map((followUp) => ({ lawn, ...followUp })),
    )
    .sort((a, b) => (a.date < b.date ? -1 : 1));
  if (waiting.length === 0) return null;
  return (
    <Card testID="follow-ups">
      <Words weight="bold">{t('today.followUps')}</Words>
      {waiting.map(({ lawn, kind, date }) => (
        <ListRow
          key={`${lawn.id}${kind}${date}`}
          title={lawn.name}
          lines={[t(`arrive.due.${kind}`, { date: shortDay(date) })]}
          href={`/lawns/${lawn.id}`}
        />
      ))}
    </Card>
  );
}

/** Lawns shown before "more" is asked for. */
const SCOUTED = 4;

/** Where to look this week and for what, the most pressing first. */
function Scouting({ lawns }: { lawns: readonly LawnSummary[] }) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  const alerts = lawns
    .filter(({ archived, scout }) => !archived && scout.length > 0)
    .map((lawn) => ({ lawn, score: lawn.scout[0]!.score }))
    .sort((a, b) => b.score - a.score);
  if (alerts.length === 0) return null;
  return (
    <Card testID="scouting">
      <Words weight="bold">{t('scout.title')}</Words>
      {(all ? alerts : alerts.slice(0, SCOUTED)).map(({ lawn }) => (
        <ListRow
          key={lawn.id}
          title={lawn.name}
          lines={lawn.scout
            .slice(0, 2)
            .map(({ problem, reasons }) =>
              [
                t(`risk.problem.${problem}`),
                ...reasons.map((reason) => t(`scout.reason.${reason}`)),
              ].join(' · '),
            )}
          href={`/lawns/${lawn.id}`}
        />
      ))}
      {alerts.length > SCOUTED ? (
        <Button
          kind="quiet"
          label={all ? t('common.less') : t('scout.more', { count: alerts.length - SCOUTED })}
          onPress={() => setAll(!all)}
        />
      ) : null}
    </Card>
  );
}

function MoveDay({ open, onClose, today }: { open: boolean; onClose: () => void; today: string }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const company = useCompany();
  const update = useUpdateCompany();
  const [day, setDay] = useState(today);
  const move = () => {
    if (!company.data) return;
    const { policy, version } = company.data;
    update.mutate(
      { clock: { kind: 'fixed', date: day as typeof company.data.today }, policy, version },
      { onSuccess: onClose },
    );
  };
  return (
    <Sheet open={open} title={t('today.moveDay')} onClose={onClose}>
      <Words tone="second">{t('today.moveDayLead')}</Words>
      <PickerField type="date" label={t('today.day')} value={day} onChange={setDay} />
      {update.error ? <Failed message={words(update.error)} /> : null}
      <Button
        label={t('common.save')}
        onPress={move}
        disabled={day === ''}
        busy={update.isPending ? t('common.loading') : null}
        wide
      />
    </Sheet>
  );
}
