import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { Words } from '@/ui';
import { SignPictogram } from './SignPictogram';

export type SignState = 'yes' | 'no' | 'unsure' | 'open';

const NEXT: Record<SignState, boolean | null> = { open: true, yes: false, no: null, unsure: null };

/** A sign to tap: open, yes, no, and round again; a long press tells how to look. */
export function SignChip({
  slug,
  state,
  onAnswer,
  onHow,
}: {
  slug: string;
  state: SignState;
  onAnswer: (value: boolean | null) => void;
  onHow: () => void;
}) {
  const { t } = useTranslation();
  const label = t(`sign.${slug}.label`);
  const word = state === 'open' || state === 'unsure' ? t('walk.open') : t(`walk.${state}`);
  const box =
    state === 'yes'
      ? 'border-main bg-main'
      : state === 'no'
        ? 'border-dashed border-thread bg-transparent'
        : 'border-line bg-raised';
  return (
    <Pressable
      role="button"
      aria-pressed={state === 'yes'}
      testID={`sign-${slug}`}
      onPress={() => onAnswer(NEXT[state])}
      onLongPress={onHow}
      delayLongPress={450}
      className={`min-h-[64px] flex-row items-center gap-2.5 rounded-2xl border-2 px-2.5 py-2 ${box}`}
    >
      <View className={state === 'no' ? 'opacity-60' : ''}>
        <SignPictogram slug={slug} />
      </View>
      <Words
        weight="semi"
        tone={state === 'yes' ? 'on-main' : state === 'no' ? 'quiet' : 'ink'}
        className={`min-w-0 flex-1 ${state === 'no' ? 'line-through' : ''}`}
      >
        {label}
        <Words className="sr-only">{`: ${word}`}</Words>
      </Words>
      {state === 'unsure' ? (
        <Words weight="bold" tone="quiet" aria-hidden>
          ?
        </Words>
      ) : null}
    </Pressable>
  );
}
