import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button } from './Button';
import { Card } from './Card';
import { Title, Words } from './Words';

/** Says what is being worked on. */
export function Loading({ what }: { what?: string }) {
  const { t } = useTranslation();
  return (
    <View className="items-center p-8" aria-live="polite">
      <Words tone="quiet">{what ?? t('common.loading')}</Words>
    </View>
  );
}

/** Nothing here yet, and what to do first. */
export function Empty({ title, lead }: { title: string; lead?: string }) {
  return (
    <View className="items-center gap-2 px-4 py-10">
      <Title className="text-center">{title}</Title>
      {lead ? (
        <Words tone="second" className="max-w-[420px] text-center">
          {lead}
        </Words>
      ) : null}
    </View>
  );
}

/** What went wrong, in words, with the way on. */
export function Failed({ message, onRetry }: { message: string; onRetry?: () => void }) {
  const { t } = useTranslation();
  return (
    <Card tone="stop">
      <Words weight="bold" tone="stop" role="alert">
        {message}
      </Words>
      {onRetry ? <Button kind="equal" label={t('common.retry')} onPress={onRetry} /> : null}
    </Card>
  );
}
