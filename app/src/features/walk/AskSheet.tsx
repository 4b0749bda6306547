import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, Sheet, Words } from '@/ui';
import { SignPictogram } from './SignPictogram';

/** One sign asked by itself: how to look, and three answers. */
export function AskSheet({
  slug,
  onAnswer,
  onClose,
}: {
  slug: string | null;
  onAnswer: (value: boolean | 'unsure') => void;
  onClose: () => void;
}) {
  const { t } = useTranslation();
  if (!slug) return null;
  return (
    <Sheet open title={t(`sign.${slug}.label`)} onClose={onClose}>
      <View className="flex-row items-center gap-4">
        <SignPictogram slug={slug} size={72} />
        <View className="min-w-0 flex-1 gap-1">
          <Words size="note" weight="semi" tone="quiet">
            {t('walk.howTo')}
          </Words>
          <Words size="lead">{t(`sign.${slug}.how`)}</Words>
        </View>
      </View>
      <View className="flex-row gap-2">
        {([true, false, 'unsure'] as const).map((value) => (
          <View key={String(value)} className="flex-1">
            <Button
              kind="equal"
              label={value === 'unsure' ? '?' : t(value ? 'walk.yes' : 'walk.no')}
              onPress={() => onAnswer(value)}
              testID={`ask-${String(value)}`}
              wide
            />
          </View>
        ))}
      </View>
    </Sheet>
  );
}
