import type { Source } from '@alfombra/core';
import Info from 'lucide-react-native/icons/info';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { Tag } from './Chip';
import { Sheet } from './Sheet';
import { Words } from './Words';

/** A number that opens: what it was worked out from, where the constants come from. */
export function Provenance({
  title,
  lines,
  source,
  note,
  children,
}: {
  title: string;
  /** The formula in words with this lawn's own figures, line by line. */
  lines: readonly string[];
  source: Source['kind'];
  note?: string | undefined;
  /** What is pressed. */
  children: ReactNode;
}) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Pressable
        role="button"
        onPress={() => setOpen(true)}
        className="min-h-[48px] flex-row items-center gap-2"
      >
        <View className="min-w-0 shrink">{children}</View>
        <View aria-hidden>
          <Info size={18} color="var(--quiet)" />
        </View>
        <Words className="sr-only">{t('common.why')}</Words>
      </Pressable>
      <Sheet open={open} title={title} onClose={() => setOpen(false)}>
        {lines.map((line) => (
          <Words key={line}>{line}</Words>
        ))}
        <Tag label={t(`source.${source}`)} tone={source === 'memory' ? 'caution' : 'panel'} />
        {note ? (
          <Words size="note" tone="second">
            {note}
          </Words>
        ) : null}
      </Sheet>
    </>
  );
}
