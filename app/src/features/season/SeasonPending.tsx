import { useTranslation } from 'react-i18next';
import { useFailureWords } from '@/api/useFailureWords';
import { Failed, Loading, Screen } from '@/ui';

/** A screen whose lawn is still being worked out, or could not be. */
export function SeasonPending({
  title,
  onBack,
  error,
  onRetry,
}: {
  title: string;
  onBack?: (() => void) | undefined;
  error: unknown;
  onRetry: () => void;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  return (
    <Screen title={title} onBack={onBack}>
      {error ? (
        <Failed message={words(error)} onRetry={onRetry} />
      ) : (
        <Loading what={t('season.working')} />
      )}
    </Screen>
  );
}
