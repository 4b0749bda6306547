import { useTranslation } from 'react-i18next';
import { RequestFailure } from './request';

/** A failure in words that say what to do, from whatever was thrown. */
export function useFailureWords(): (error: unknown) => string {
  const { t } = useTranslation();
  return (error) => {
    if (!(error instanceof RequestFailure)) return t('failure.internal');
    if (error.code === 'offline') return t('failure.offline');
    if (error.code === 'storage-full') return t('failure.storage-full');
    if (error.code === 'signed-out') return t('failure.signed-out');
    if (error.code === 'internal') return t('failure.internal');
    return error.path.length > 0 && error.code === 'bad-input'
      ? `${error.path.join(' › ')}: ${error.message}`
      : error.message;
  };
}
