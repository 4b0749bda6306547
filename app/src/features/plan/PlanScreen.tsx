import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { useCompany, useLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { usePlanStore } from '@/state/planStore';
import { Loading, Screen } from '@/ui';
import { PlanEditor } from './PlanEditor';

/** The lawn measured and drawn: zones, what stands on them, weeds. */
export function PlanScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const lawn = useLawn(lawnId).data;
  const today = useCompany(lawn?.property.timeZone).data?.today;
  const { plan, open, lawnId: openId } = usePlanStore();
  useEffect(() => {
    if (!lawn) return;
    const { touched, lawnId: drawn } = usePlanStore.getState();
    open(lawn);
    if (!touched || drawn !== lawn.id) usePlanStore.temporal.getState().clear();
  }, [lawn, open]);
  if (!lawn || !today || !plan || openId !== lawnId) {
    return (
      <Screen title={t('plan.title')} back={`/lawns/${lawnId}`}>
        <Loading />
      </Screen>
    );
  }
  return <PlanEditor lawn={lawn} plan={plan} today={today} words={words} />;
}
