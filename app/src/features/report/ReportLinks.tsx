import type { LocalDate, VisitReport } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { Linking, View } from 'react-native';
import { usePutReport } from '@/api/queries';
import { Button, Card, fullDay, Tag, Title, Words } from '@/ui';

/** Links that were given out: open, expired or taken back. */
export function ReportLinks({
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
