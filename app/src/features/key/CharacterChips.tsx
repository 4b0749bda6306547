import { characterGroups } from '@alfombra/core/key';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, Chip, Words } from '@/ui';

const GROUPS = Object.keys(characterGroups) as (keyof typeof characterGroups)[];

/** What else can be looked at: the most telling, or all by the part of the plant where they are seen. */
export function CharacterChips({
  asked,
  suggested,
  onAsk,
}: {
  asked: string | null;
  suggested: readonly string[];
  onAsk: (character: string) => void;
}) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  const chips = (slugs: readonly string[]) => (
    <View className="flex-row flex-wrap gap-2">
      {slugs.map((slug) => (
        <Chip
          key={slug}
          label={t(`key.character.${slug}`)}
          chosen={slug === asked}
          onPress={() => onAsk(slug)}
        />
      ))}
    </View>
  );
  return (
    <View className="gap-2">
      {all
        ? GROUPS.map((group) => (
            <View key={group} className="gap-1" role="group" aria-label={t(`key.group.${group}`)}>
              <Words size="note" weight="semi" tone="second">
                {t(`key.group.${group}`)}
              </Words>
              {chips(characterGroups[group])}
            </View>
          ))
        : chips(suggested)}
      <Button
        kind="quiet"
        label={all ? t('common.less') : t('key.allCharacters')}
        onPress={() => setAll(!all)}
      />
    </View>
  );
}
