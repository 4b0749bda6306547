import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Button, Empty, Screen } from '@/ui';

export default function NotFound() {
  const { t } = useTranslation();
  const router = useRouter();
  return (
    <Screen title={t('app')}>
      <Empty title={t('failure.notFound')} />
      <Button label={t('places.lawns')} onPress={() => router.replace('/lawns')} />
    </Screen>
  );
}
