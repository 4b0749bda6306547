import type { KeyAnswer } from '@alfombra/core/key';
import { keyCharacters } from '@alfombra/core/key';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { Button, Card, Chip, Title, Words } from '@/ui';
import { StateDrawing } from './StateDrawing';

/** One character of the plant: where to look, its states as drawings, and the way past it. */
export function KeyQuestion({
  character,
  given,
  asked,
  onAnswer,
  onChange,
  onUnseen,
}: {
  character: (typeof keyCharacters)[number];
  given: KeyAnswer | undefined;
  /** The technician chose it; else the key did. */
  asked: boolean;
  /** A state was tapped, or the chosen one taken back. */
  onAnswer: (given: KeyAnswer | null) => void;
  /** How sure, or how it was looked at. */
  onChange: (given: KeyAnswer) => void;
  onUnseen: () => void;
}) {
  const { t } = useTranslation();
  const { slug, ease, states } = character;
  return (
    <Card testID={`ask-${slug}`}>
      <Words size="note" weight="semi" tone="caution">
        {t(asked ? 'key.chosen' : 'key.best')}
      </Words>
      <Title>{t(`key.character.${slug}`)}</Title>
      <Words tone="second">{t(`key.where.${slug}`)}</Words>
      <View className="flex-row flex-wrap gap-2">
        {states.map((state) => {
          const chosen = given?.state === state;
          return (
            <Pressable
              key={state}
              role="button"
              aria-pressed={chosen}
              onPress={() => onAnswer(chosen ? null : { ...given, state })}
              className={`min-h-[64px] w-[48%] flex-row items-center gap-2 rounded-xl border-2 p-2 ${chosen ? 'border-main bg-good-tint' : 'border-line bg-raised'}`}
              testID={`state-${state}`}
            >
              <StateDrawing character={slug} state={state} />
              <Words size="note" weight="semi" className="min-w-0 flex-1">
                {t(`key.state.${state}`)}
              </Words>
            </Pressable>
          );
        })}
      </View>
      <View className="flex-row flex-wrap gap-2">
        <Button kind="plain" label={t('key.unsure')} onPress={onUnseen} />
        {given ? (
          <>
            <Chip
              label={t('key.certain')}
              chosen={given.certain === true}
              onPress={() => onChange({ ...given, certain: !given.certain })}
            />
            {ease === 'hard' ? (
              <Chip
                label={t('key.lens')}
                chosen={given.lens === true}
                onPress={() => onChange({ ...given, lens: !given.lens })}
              />
            ) : null}
          </>
        ) : null}
      </View>
    </Card>
  );
}
