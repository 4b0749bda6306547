import {
  addDays,
  findingsOf,
  standSeason,
  weed,
  type Lawn,
  type LocalDate,
  type ReportBody,
  type Visit,
  type VisitReport,
} from '@alfombra/core';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Linking, View } from 'react-native';
import { v7 as uuid } from 'uuid';
import {
  useCompany,
  useCustomers,
  useLawn,
  usePhotos,
  usePutReport,
  useReports,
  useVisits,
} from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import {
  Button,
  Card,
  Chip,
  Failed,
  Field,
  fullDay,
  Loading,
  number,
  PickerField,
  Screen,
  Tag,
  Title,
  Words,
} from '@/ui';
import { areaInterval } from '@alfombra/core';
import { questionWords } from './questionWords';

const GRADES = ['good', 'easy', 'hard', 'suppress'] as const;
type Grade = (typeof GRADES)[number];
const LINK_DAYS = 30;
/** Difficulty, 1 to 5, from which a weed is called hard, and only held back. */
const HARD_FROM = 3;
const SUPPRESS_FROM = 5;

/** The report of a visit, put together from what was found, then shared by a private link. */
export function ReportScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const { visit: visitId } = useLocalSearchParams<{ visit?: string }>();
  const lawn = useLawn(lawnId).data;
  const company = useCompany().data;
  const customers = useCustomers().data;
  const visits = useVisits(lawnId).data;
  const reports = useReports(lawnId).data;
  const back = `/lawns/${lawnId}`;
  if (!lawn || !company || !visits || !reports || !customers) {
    return (
      <Screen title={t('share.title')} back={back}>
        <Loading />
      </Screen>
    );
  }
  const visit = visits.find(({ id }) => id === visitId) ?? visits[0] ?? null;
  return (
    <Compose
      lawn={lawn}
      visit={visit}
      visits={visits}
      reports={reports}
      today={company.today}
      language={customers.find(({ id }) => id === lawn.customerId)?.language ?? 'en'}
      back={back}
    />
  );
}

interface DraftFinding {
  id: string;
  grade: Grade;
  words: string;
}

function useDraftFindings(
  lawn: Lawn,
  visits: readonly Visit[],
  language: 'en' | 'es',
): DraftFinding[] {
  const { t } = useTranslation();
  const line = (key: string, values: object) => t(key, { lng: language, ...values });
  const findings: DraftFinding[] = [];
  const add = (grade: Grade, words: string) => findings.push({ id: uuid(), grade, words });
  const found = findingsOf(visits, lawn);
  for (const zone of lawn.zones) {
    const cover = zone.stand
      .filter(({ species }) => zone.desired.includes(species))
      .reduce((sum, entry) => sum + entry.cover, 0);
    if (cover >= 0.8) {
      add('good', line('share.auto.thick', { zone: zone.name, share: Math.round(cover * 100) }));
    } else if (zone.stand.length > 0) {
      add(
        cover >= 0.5 ? 'easy' : 'hard',
        line('share.auto.thin', { zone: zone.name, share: Math.round(cover * 100) }),
      );
    }
    const finding = found.find(({ zoneId }) => zoneId === zone.id);
    for (const { cause, patchId } of finding?.damages ?? []) {
      if (!cause) continue;
      const number = lawn.patches.find(({ id }) => id === patchId)?.number;
      add(
        'easy',
        line(number === undefined ? 'share.auto.cause' : 'share.auto.patchCause', {
          zone: zone.name,
          number,
          cause: t(`cause.${cause}`).toLowerCase(),
        }),
      );
    }
    for (const { weed: slug, growing } of finding?.weeds ?? []) {
      if (!growing) continue;
      const difficulty = weed(slug)?.difficulty ?? HARD_FROM;
      add(
        difficulty >= SUPPRESS_FROM ? 'suppress' : difficulty > HARD_FROM ? 'hard' : 'easy',
        line('share.auto.weed', { zone: zone.name, weed: t(`weed.${slug}`).toLowerCase() }),
      );
    }
  }
  return findings;
}

function assumptionsOf(
  lawn: Lawn,
  t: ReturnType<typeof useTranslation>['t'],
  language: 'en' | 'es',
): string[] {
  const line = (key: string, values: object = {}) => t(key, { lng: language, ...values });
  return [
    ...lawn.zones.flatMap((zone) => {
      const assumed = zone.edges.filter((state) => state === 'assumed').length;
      const { low, high } = areaInterval(zone);
      return [
        ...(assumed > 0
          ? [
              line('share.auto.edges', {
                zone: zone.name,
                count: assumed,
                low: number(low),
                high: number(high),
              }),
            ]
          : []),
        ...(zone.site.irrigated === null
          ? [line('share.auto.irrigation', { zone: zone.name })]
          : []),
      ];
    }),
    ...(lawn.property.waters === 'unknown' ? [line('share.auto.waters')] : []),
    ...(lawn.zones.some((zone) => standSeason(zone) === 'warm')
      ? [line('share.auto.dormant')]
      : []),
  ];
}

function Compose({
  lawn,
  visit,
  visits,
  reports,
  today,
  language: preferred,
  back,
}: {
  lawn: Lawn;
  visit: Visit | null;
  visits: readonly Visit[];
  reports: readonly VisitReport[];
  today: LocalDate;
  language: 'en' | 'es';
  back: string;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const put = usePutReport(lawn.id);
  const photos = usePhotos(lawn.id).data ?? [];
  const [language, setLanguage] = useState(preferred);
  const automatic = useDraftFindings(lawn, visits, language);
  const [findings, setFindings] = useState<DraftFinding[]>(automatic);
  const [assumptions, setAssumptions] = useState(() => assumptionsOf(lawn, t, preferred));
  const [expiresOn, setExpiresOn] = useState<string>(addDays(today, LINK_DAYS));
  const open = lawn.questions.filter(({ answer }) => !answer);
  const choose = (next: 'en' | 'es') => {
    setLanguage(next);
    setAssumptions(assumptionsOf(lawn, t, next));
  };
  const badDay = expiresOn === '' || expiresOn < today;
  const share = () => {
    if (badDay) return;
    const body: ReportBody = {
      lawnId: lawn.id,
      date: visit?.date ?? today,
      visitId: visit?.id ?? null,
      language,
      findings: findings.filter(({ words: text }) => text.trim() !== ''),
      assumptions,
      questionIds: open.map(({ id }) => id),
      photoIds: photos.filter(({ date }) => date === (visit?.date ?? today)).map(({ id }) => id),
      expiresOn: expiresOn as LocalDate,
      revokedOn: null,
    };
    put.mutate({ id: uuid(), body });
  };
  return (
    <Screen
      title={t('share.title')}
      subject={lawn.name}
      lead={`${lawn.name} · ${visit ? fullDay(visit.date) : fullDay(today)}`}
      back={back}
      footer={
        <>
          {put.error ? <Failed message={words(put.error)} /> : null}
          <Button
            label={t('share.make')}
            onPress={share}
            disabled={badDay}
            busy={put.isPending ? t('common.loading') : null}
            testID="make-report"
            wide
          />
        </>
      }
    >
      <Links reports={reports} today={today} lawnId={lawn.id} />
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-[3]">
          <Card>
            <Title>{t('report.findings')}</Title>
            {findings.map((finding) => (
              <View key={finding.id} className="gap-2 border-b-2 border-line pb-3">
                <View className="flex-row flex-wrap gap-2">
                  {GRADES.map((grade) => (
                    <Chip
                      key={grade}
                      label={t(`share.grade.${grade}`)}
                      chosen={finding.grade === grade}
                      onPress={() =>
                        setFindings(
                          findings.map((entry) =>
                            entry.id === finding.id ? { ...entry, grade } : entry,
                          ),
                        )
                      }
                    />
                  ))}
                </View>
                <Field
                  label={t('share.inWords')}
                  value={finding.words}
                  onChange={(text) =>
                    setFindings(
                      findings.map((entry) =>
                        entry.id === finding.id ? { ...entry, words: text } : entry,
                      ),
                    )
                  }
                  multiline
                />
                <Button
                  kind="quiet"
                  label={t('share.leaveOut')}
                  onPress={() => setFindings(findings.filter(({ id }) => id !== finding.id))}
                />
              </View>
            ))}
            <Button
              kind="plain"
              label={t('share.addFinding')}
              onPress={() => setFindings([...findings, { id: uuid(), grade: 'easy', words: '' }])}
              testID="add-finding"
            />
          </Card>
        </View>
        <View className="gap-4 lg:flex-[2]">
          <Card>
            <Title>{t('share.how')}</Title>
            <View className="flex-row gap-2">
              {(['en', 'es'] as const).map((option) => (
                <Chip
                  key={option}
                  label={t(`property.language.${option}`)}
                  chosen={language === option}
                  onPress={() => choose(option)}
                />
              ))}
            </View>
            <PickerField
              type="date"
              label={t('share.expires')}
              value={expiresOn}
              min={today}
              onChange={setExpiresOn}
              error={badDay ? t('share.badDay') : undefined}
            />
          </Card>
          <Card>
            <Title>{t('report.assumptions')}</Title>
            {assumptions.length === 0 ? (
              <Words tone="second">{t('share.noAssumptions')}</Words>
            ) : null}
            {assumptions.map((text) => (
              <Words key={text}>{`– ${text}`}</Words>
            ))}
          </Card>
          <Card>
            <Title>{t('report.questions')}</Title>
            {open.length === 0 ? <Words tone="second">{t('visit.noQuestions')}</Words> : null}
            {open.map((question) => (
              <Words
                key={question.id}
              >{`– ${questionWords(t, question.subject, lawn.zones)}`}</Words>
            ))}
          </Card>
        </View>
      </View>
    </Screen>
  );
}

/** Links that were given out: open, expired or taken back. */
function Links({
  reports,
  today,
  lawnId,
}: {
  reports: readonly VisitReport[];
  today: LocalDate;
  lawnId: string;
}) {
  const { t } = useTranslation();
  const put = usePutReport(lawnId);
  if (reports.length === 0) return null;
  const revoke = ({ id, version: _version, path: _path, ...body }: VisitReport) =>
    put.mutate({ id, body: { ...body, revokedOn: today } });
  return (
    <Card testID="links">
      <Title>{t('share.links')}</Title>
      {reports.map((report) => {
        const state = report.revokedOn ? 'revoked' : report.expiresOn < today ? 'expired' : 'open';
        return (
          <View key={report.id} className="gap-2 border-b-2 border-line pb-3">
            <View className="flex-row items-center gap-2">
              <Words weight="semi" className="flex-1">
                {fullDay(report.date)}
              </Words>
              <Tag label={t(`share.state.${state}`)} tone={state === 'open' ? 'good' : 'panel'} />
            </View>
            {report.path === undefined ? (
              <Words size="note" tone="second">
                {t('share.noPathYet')}
              </Words>
            ) : state === 'open' ? (
              <>
                <Words size="note" selectable className="break-all" testID="report-path">
                  {`${window.location.origin}${report.path}`}
                </Words>
                <View className="flex-row flex-wrap gap-2">
                  <Button
                    kind="plain"
                    label={t('share.copy')}
                    onPress={() =>
                      void navigator.clipboard?.writeText(`${window.location.origin}${report.path}`)
                    }
                  />
                  <Button
                    kind="plain"
                    label={t('share.look')}
                    onPress={() => void Linking.openURL(report.path)}
                  />
                  <Button
                    kind="equal"
                    label={t('share.revoke')}
                    onPress={() => revoke(report)}
                    testID="revoke"
                  />
                </View>
              </>
            ) : null}
          </View>
        );
      })}
    </Card>
  );
}
