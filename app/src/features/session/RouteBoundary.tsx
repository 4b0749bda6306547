import { usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { useTranslation } from 'react-i18next';
import { Button, LinkButton, Screen, Words } from '@/ui';

/** A screen that failed says so in its own place; the places beside it go on, and so does the next page. */
export function RouteBoundary({ children }: { children: ReactNode }) {
  const path = usePathname();
  return (
    <ErrorBoundary FallbackComponent={FailedScreen} resetKeys={[path]}>
      {children}
    </ErrorBoundary>
  );
}

function FailedScreen({ resetErrorBoundary }: FallbackProps) {
  const { t } = useTranslation();
  return (
    <Screen title={t('failure.title')}>
      <Words role="alert">{t('failure.screen')}</Words>
      <Button label={t('common.retry')} onPress={resetErrorBoundary} />
      <Button kind="plain" label={t('failure.reload')} onPress={() => window.location.reload()} />
      <LinkButton kind="plain" label={t('places.lawns')} href="/lawns" />
    </Screen>
  );
}
