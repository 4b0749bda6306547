import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, ScrollView, View } from 'react-native';
import { Selvedge } from './Selvedge';
import { Title, Words } from './Words';

export interface ScreenProps {
  title: string;
  lead?: string | undefined;
  onBack?: (() => void) | undefined;
  /** Beside the title. */
  aside?: ReactNode;
  dye?: 'madder' | 'indigo';
  /** Stays at the bottom, within the thumb's reach. */
  footer?: ReactNode;
  /** Off where the content scrolls by itself. */
  scroll?: boolean;
  children: ReactNode;
}

/** The frame of every screen: woven edge, title, content, and the main action at the bottom. */
export function Screen({
  title,
  lead,
  onBack,
  aside,
  dye = 'madder',
  footer,
  scroll = true,
  children,
}: ScreenProps) {
  const { t } = useTranslation();
  return (
    <View className="min-w-0 flex-1 bg-ground">
      <Selvedge dye={dye} />
      <View className="flex-row items-center gap-3 px-4 pb-3 pt-3">
        {onBack ? (
          <Pressable
            role="button"
            aria-label={t('common.back')}
            onPress={onBack}
            className="h-[48px] w-[48px] items-center justify-center rounded-xl bg-panel"
          >
            <ChevronLeft size={26} color="var(--ink)" />
          </Pressable>
        ) : null}
        <View className="min-w-0 flex-1">
          <Title numberOfLines={2}>{title}</Title>
          {lead ? (
            <Words size="note" tone="second" numberOfLines={2}>
              {lead}
            </Words>
          ) : null}
        </View>
        {aside}
      </View>
      {scroll ? (
        <ScrollView className="flex-1" contentContainerClassName="gap-4 px-4 pb-8">
          {children}
        </ScrollView>
      ) : (
        <View className="min-h-0 flex-1">{children}</View>
      )}
      {footer ? <View className="gap-2 border-t-2 border-line bg-ground p-4">{footer}</View> : null}
    </View>
  );
}
