import type { Href } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import { useRef, type ReactNode, type RefObject } from 'react';
import { useTranslation } from 'react-i18next';
import { ScrollView, View } from 'react-native';
import { Door } from './Door';
import { Selvedge } from './Selvedge';
import { useArrival } from './useArrival';
import { ScrollerContext, type Scroller } from './scroller';
import { Title, Words } from './Words';

export interface ScreenProps {
  title: string;
  lead?: string | undefined;
  /** Of which lawn or thing: stands in the page's title behind the screen's own. */
  subject?: string | undefined;
  /** Where the arrow beside the title leads. */
  back?: Href | undefined;
  /** Beside the title. */
  aside?: ReactNode;
  dye?: 'madder' | 'indigo';
  /** Stays at the bottom, within the thumb's reach. */
  footer?: ReactNode;
  /** Off where the content scrolls by itself. */
  scroll?: boolean;
  /** A list beside the screen at hand: no page of its own. */
  side?: boolean;
  children: ReactNode;
}

/** The frame of every screen: woven edge, title, content, and the main action at the bottom. */
export function Screen({
  title,
  lead,
  subject,
  back,
  aside,
  dye = 'madder',
  footer,
  scroll = true,
  side = false,
  children,
}: ScreenProps) {
  const { t } = useTranslation();
  const heading = useArrival([title, subject], !side);
  const scroller: Scroller = useRef(null);
  return (
    <View
      {...(side
        ? { role: 'navigation' as const, 'aria-label': title }
        : { role: 'main' as const, id: 'main' })}
      className="min-w-0 flex-1 bg-ground"
    >
      <Selvedge dye={dye} />
      <View className="flex-row flex-wrap items-center gap-x-3 px-4 pb-3 pt-3">
        {back ? (
          <Door
            href={back}
            className="h-[48px] w-[48px] items-center justify-center rounded-xl bg-panel"
          >
            <View aria-hidden>
              <ChevronLeft size={26} color="var(--ink)" />
            </View>
            <Words className="sr-only">{t('common.back')}</Words>
          </Door>
        ) : null}
        {/* Letters at twice the size push what stands beside the title under it, not the title away. */}
        <View className="min-w-0 grow basis-[8rem]">
          <Title
            ref={heading}
            level={side ? 2 : 1}
            tabIndex={-1}
            numberOfLines={2}
            className="outline-none"
          >
            {title}
          </Title>
          {lead ? (
            <Words size="note" tone="second" numberOfLines={2}>
              {lead}
            </Words>
          ) : null}
        </View>
        {aside}
      </View>
      {scroll ? (
        <ScrollView
          ref={scroller as RefObject<ScrollView | null>}
          // Words without a control between them are scrolled by the arrow keys.
          tabIndex={0}
          className="flex-1"
          contentContainerClassName="gap-4 px-4 pb-8"
        >
          <ScrollerContext value={scroller}>{children}</ScrollerContext>
        </ScrollView>
      ) : (
        <View className="min-h-0 flex-1">{children}</View>
      )}
      {footer ? <View className="gap-2 border-t-2 border-line bg-ground p-4">{footer}</View> : null}
    </View>
  );
}
