import { useVirtualizer } from '@tanstack/react-virtual';
import {
  memo,
  use,
  useDeferredValue,
  useLayoutEffect,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { View } from 'react-native';
import { ScrollerContext, type Scroller } from './scroller';

/** The node that scrolls; nothing before it is there. */
const frameOf = (scroller: Scroller | null) =>
  (scroller?.current?.getScrollableNode() as HTMLElement | undefined) ?? null;

const GAP = 12;
/** Rows drawn beyond what is in sight: the next stops of the Tab key. */
const OVERSCAN = 8;

/**
 * A row is drawn again when its item or the way to draw it changes, not at each step of the scrolling; and
 * first as an empty place, so that drawing it, well before it is in sight, holds up no frame.
 */
const Row = memo(function Row({
  item,
  height,
  draw,
}: {
  item: unknown;
  height: number;
  draw: (item: never) => ReactNode;
}) {
  const drawn = useDeferredValue(true, false);
  return drawn ? draw(item as never) : <View style={{ height }} />;
});

/** A list of any length inside a scrolling screen: only the rows about to be seen are drawn. */
export function VirtualList<Item>({
  items,
  keyOf,
  estimate,
  children,
}: {
  items: readonly Item[];
  keyOf: (item: Item) => string;
  /** About how high a row is, px; each is measured when it is drawn. */
  estimate: number;
  /** Draws an item; the same function as long as it draws alike. */
  children: (item: Item) => ReactNode;
}) {
  const scroller = use(ScrollerContext);
  const list = useRef<View>(null);
  const [margin, setMargin] = useState(0);
  const [tries, setTries] = useState(0);

  useLayoutEffect(() => {
    const own = list.current as unknown as HTMLElement | null;
    const around = frameOf(scroller);
    if (!own) return undefined;
    if (!around) {
      // The frame comes after what stands in it: a list that is there from the beginning, as when a phone is turned on
      // its side, would else wait for somebody to scroll.
      const again = requestAnimationFrame(() => setTries((before) => before + 1));
      return () => cancelAnimationFrame(again);
    }
    // What stands above the list in the same frame: title, search, buttons, another list.
    const measure = () =>
      setMargin(
        own.getBoundingClientRect().top - around.getBoundingClientRect().top + around.scrollTop,
      );
    measure();
    // It may grow at any time, and the frame's content with it; asked at each step of the scrolling it would
    // hold up the frame.
    if (typeof ResizeObserver === 'undefined' || !around.firstElementChild) return undefined;
    const watch = new ResizeObserver(measure);
    watch.observe(around.firstElementChild);
    return () => watch.disconnect();
  }, [scroller, items.length, tries]);
  const rows = useVirtualizer({
    count: items.length,
    getScrollElement: () => frameOf(scroller),
    estimateSize: () => estimate,
    getItemKey: (index) => keyOf(items[index] as Item),
    overscan: OVERSCAN,
    gap: GAP,
    scrollMargin: margin,
    useFlushSync: false,
  });
  return (
    <View ref={list} role="list" style={{ height: rows.getTotalSize() }}>
      {rows.getVirtualItems().map(({ key, index, start }) => (
        <View
          key={key}
          ref={(row) => rows.measureElement(row as unknown as Element | null)}
          {...{ dataSet: { index } }}
          role="listitem"
          aria-setsize={items.length}
          aria-posinset={index + 1}
          style={{
            position: 'absolute',
            top: 0,
            left: 0,
            right: 0,
            transform: [{ translateY: start - margin }],
          }}
        >
          <Row item={items[index]} height={estimate} draw={children} />
        </View>
      ))}
    </View>
  );
}
