import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Modal, Pressable, ScrollView, View } from 'react-native';
import { Title } from './Words';

/** A sheet over the screen: from the bottom on a phone, in the middle when wide. */
export function Sheet({
  open,
  title,
  onClose,
  children,
}: {
  open: boolean;
  title: string;
  onClose: () => void;
  children: ReactNode;
}) {
  const { t } = useTranslation();
  return (
    <Modal visible={open} transparent animationType="none" onRequestClose={onClose}>
      <View className="flex-1 justify-end bg-[#241c1599] lg:items-center lg:justify-center">
        <Pressable
          aria-label={t('common.close')}
          className="absolute inset-0"
          onPress={onClose}
          tabIndex={-1}
        />
        <View
          role="dialog"
          aria-label={title}
          className="max-h-[88%] w-full rounded-t-3xl bg-ground pb-4 lg:max-w-[560px] lg:rounded-3xl"
        >
          <View className="flex-row items-center gap-3 px-4 pb-2 pt-4">
            <Title className="flex-1">{title}</Title>
            <Pressable
              role="button"
              aria-label={t('common.close')}
              onPress={onClose}
              className="h-[48px] w-[48px] items-center justify-center rounded-xl bg-panel"
            >
              <X size={22} color="var(--ink)" />
            </Pressable>
          </View>
          <ScrollView contentContainerClassName="gap-4 px-4 pb-4">{children}</ScrollView>
        </View>
      </View>
    </Modal>
  );
}
