import { areaInterval, sharedReportSchema, type SharedReport } from '@alfombra/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Image, Linking, ScrollView, View } from 'react-native';
import { request } from '@/api/request';
import { PlanPicture } from '@/features/plan/drawing/PlanPicture';
import { i18next } from '@/i18n';
import { localeFor } from '@/i18n/language';
import {
  Button,
  Card,
  Loading,
  number,
  Screen,
  Selvedge,
  Tag,
  Title,
  useArrival,
  Words,
} from '@/ui';
import { AnswersCard } from './AnswersCard';

/** The report as the customer sees it, in their language; their answers come back from here. */
export function SharedReportScreen({ token }: { token: string }) {
  const { t } = useTranslation();
  const report = useQuery({
    queryKey: ['shared', token],
    queryFn: () => request(sharedReportSchema, 'GET', `/api/shared/${token}`),
    retry: false,
    persister: undefined,
  });
  if (report.isPending) return <Loading />;
  if (!report.data) {
    return (
      <Screen title={t('report.gone')}>
        <Words tone="second">{t('report.goneLead')}</Words>
      </Screen>
    );
  }
  return <Page token={token} report={report.data} refresh={() => void report.refetch()} />;
}

function Page({
  token,
  report,
  refresh,
}: {
  token: string;
  report: SharedReport;
  refresh: () => void;
}) {
  const t = i18next.getFixedT(report.language);
  const heading = useArrival([t('report.title'), report.lawn.name], true);
  useEffect(() => {
    // A page of its own, in the customer's language whatever the device's is.
    document.documentElement.lang = report.language;
  }, [report.language]);
  const planWords = useMemo(
    () => ({
      area: (ft2: number) => `${number(ft2)} ft²`,
      feature: (kind: string) => t(`report.feature.${kind}`),
      length: (ft: number) => `${number(ft)} ft`,
    }),
    [t],
  );
  const asked = useMemo(
    () =>
      report.questions.flatMap(({ subject }) =>
        subject.kind === 'edge' ? [{ zoneId: subject.zoneId, edge: subject.edge }] : [],
      ),
    [report.questions],
  );
  const day = (date: string) =>
    new Date(`${date}T12:00:00`).toLocaleDateString(
      localeFor(report.language, navigator.languages),
      { dateStyle: 'long' },
    );
  return (
    <ScrollView className="flex-1 bg-ground" contentContainerClassName="items-center">
      <View className="w-full">
        <Selvedge />
      </View>
      <View
        role="main"

        className="w-full max-w-[720px] gap-4 p-4"
        testID="shared-report"
      >
        <Title ref={heading} level={1} tabIndex={-1} className="outline-none">
          {t('report.title')}
        </Title>
        <Words tone="second">
          {[
            t('report.of', { lawn: report.lawn.name, date: day(report.date) }),
            report.company,
            report.technician ? t('report.by', { technician: report.technician }) : null,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Words>
        {report.lawn.zones.length > 0 ? (
          <Card>
            <Title>{t('report.plan')}</Title>
            <PlanPicture
              content={report.lawn}
              words={planWords}
              label={t('report.plan')}
              asked={asked}
              height={280}
            />
            {report.lawn.zones.map((zone) => {
              const { areaFt2, low, high } = areaInterval(zone);
              return (
                <Words key={zone.id}>
                  {t('report.area', {
                    zone: zone.name,
                    area: number(areaFt2),
                    low: number(low),
                    high: number(high),
                  })}
                </Words>
              );
            })}
            <Words size="note" tone="second">
              {t('report.planAssumed')}
            </Words>
          </Card>
        ) : null}
        <Card>
          <Title>{t('report.findings')}</Title>
          {report.findings.length === 0 ? <Words>{t('report.noFindings')}</Words> : null}
          {report.findings.map(({ id, grade, words: text }) => (
            <View key={id} className="gap-1">
              <Tag
                label={t(`report.grade.${grade}`)}
                tone={
                  grade === 'good' || grade === 'easy'
                    ? 'good'
                    : grade === 'hard'
                      ? 'caution'
                      : 'stop'
                }
              />
              <Words>{text}</Words>
            </View>
          ))}
        </Card>
        {(['note', 'promised'] as const)
          .filter((part) => report[part] !== '')
          .map((part) => (
            <Card key={part}>
              <Title>{t(part === 'note' ? 'report.inOurWords' : 'report.promised')}</Title>
              <Words>{report[part]}</Words>
            </Card>
          ))}
        {report.assumptions.length > 0 ? (
          <Card>
            <Title>{t('report.assumptions')}</Title>
            <Words tone="second">{t('report.assumptionsLead')}</Words>
            {report.assumptions.map((text) => (
              <Words key={text}>{`– ${text}`}</Words>
            ))}
          </Card>
        ) : null}
        <AnswersCard token={token} report={report} refresh={refresh} />
        {report.photos.length > 0 ? (
          <Card>
            <Title>{t('report.photos')}</Title>
            {report.photos.map((photo) => (
              <View key={photo.id} className="gap-1">
                <Image
                  source={{ uri: `/api/shared/${token}/photos/${photo.id}` }}
                  accessibilityLabel={photo.note}
                  style={{ width: '100%', height: 220, borderRadius: 12 }}
                  resizeMode="cover"
                />
                <Words size="note">
                  {[photo.note, photo.standIn ? t('report.standIn') : null]
                    .filter(Boolean)
                    .join(' · ')}
                </Words>
              </View>
            ))}
          </Card>
        ) : null}
        <Words size="note" tone="second">
          {t('report.caution')}
        </Words>
        <View className="flex-row gap-2">
          <Button
            kind="plain"
            label={t('report.pdf')}
            onPress={() => void Linking.openURL(`/api/shared/${token}/pdf`)}
            testID="report-pdf"
          />
          <Button kind="plain" label={t('report.print')} onPress={() => window.print()} />
        </View>
        <Words size="note" tone="quiet">
          {t('report.until', { date: day(report.expiresOn) })}
        </Words>
      </View>
    </ScrollView>
  );
}
