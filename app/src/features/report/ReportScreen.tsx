import { useLocalSearchParams } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { useCompany, useCustomers, useLawn, useReports, useVisits } from '@/api/queries';
import { Loading, Screen } from '@/ui';
import { ComposeReport } from './ComposeReport';

/** The report of a visit, put together from what was found, then shared by a private link. */
export function ReportScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const { visit: visitId } = useLocalSearchParams<{ visit?: string }>();
  const lawn = useLawn(lawnId).data;
  const company = useCompany(lawn?.property.timeZone).data;
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
    <ComposeReport
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
