import { useTranslation } from 'react-i18next';
import { Empty, LinkButton, Screen } from '@/ui';

export default function NotFound() {
  const { t } = useTranslation();
  return (
    <Screen title={t('app')}>
      <Empty title={t('failure.notFound')} />
      <LinkButton label={t('places.lawns')} href="/lawns" />
    </Screen>
  );
}
