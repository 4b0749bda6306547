import type { Href } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { useFailureWords } from '@/api/useFailureWords';
import { Failed, Loading, Screen } from '@/ui';

/** A screen whose lawn is still being worked out, or could not be. */
export function SeasonPending({
  title,
  back,
  error,
  onRetry,
}: {
  title: string;
  back?: Href | undefined;
  error: unknown;
  onRetry: () => void;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  return (
    <Screen title={title} back={back}>
      {error ? (
        <Failed message={words(error)} onRetry={onRetry} />
      ) : (
        <Loading what={t('season.working')} />
      )}
    </Screen>
  );
}
