import {
  fitPlan,
  planShapes,
  zoneAt,
  type PlanContent,
  type PlanWords,
} from '@alfombra/core/drawing';
import type { Patch, Point, ZoneShape } from '@alfombra/core';
import { useMemo, useRef, useState, type MouseEvent, type ReactNode } from 'react';
import { View } from 'react-native';
import Svg from 'react-native-svg';
import { MownStripes, PlanShapes } from './PlanShapes';

const MARGIN = 18;
/** Half of a gloved fingertip, px. */
const REACH_PX = 26;
/** Size of a mark beside a patch and how far it stands off, px. */
const MARK_PX = 40;
const MARK_AWAY_PX = 16;

/** What of a plan a press found. */
export interface PlanPress {
  at: Point;
  zone: ZoneShape | null;
  patch: Pick<Patch, 'id'> | null;
}

/** The lawn drawn to scale, as it is drawn everywhere. */
export function PlanPicture({
  content,
  words,
  label,
  zoneId = null,
  patchId = null,
  asked,
  focus = null,
  height,
  onPress,
  mark,
  cross = null,
}: {
  content: PlanContent;
  words: PlanWords;
  /** Name of the picture for those who do not see it. */
  label: string;
  /** The zone at hand; the others stay pale. */
  zoneId?: string | null;
  patchId?: string | null;
  /** Sides that are spoken of. */
  asked?: readonly { zoneId: string; edge: number }[];
  /** Shows this zone large, not the whole lot. */
  focus?: string | null;
  height: number;
  onPress?: (press: PlanPress) => void;
  /** Drawn beside the patch at hand, for instance the pattern seen there. */
  mark?: ReactNode;
  /** A place that is being chosen, in feet. */
  cross?: Point | null;
}) {
  const [width, setWidth] = useState(0);
  const frame = useRef<View>(null);
  const view = useMemo(
    () => fitPlan(content, { width, height, margin: MARGIN }, focus),
    [content, width, height, focus],
  );
  const shapes = useMemo(
    () =>
      width > 0
        ? planShapes(content, view, words, { zoneId, patchId, ...(asked ? { asked } : {}) })
        : [],
    [content, view, words, zoneId, patchId, asked, width],
  );
  const press = ({ clientX, clientY }: MouseEvent) => {
    const box = (frame.current as unknown as HTMLElement).getBoundingClientRect();
    const touched = { x: clientX - box.left, y: clientY - box.top };
    const at = view.toPlan(touched);
    const reached = content.patches
      .map((patch) => {
        const { x, y } = view.at(patch.centre);
        return { patch, away: Math.hypot(x - touched.x, y - touched.y) };
      })
      .filter(({ away }) => away <= REACH_PX)
      .sort((a, b) => a.away - b.away)[0];
    const zone = zoneAt(content.zones, at);
    onPress?.({
      at: { x: Math.round(at.x * 10) / 10, y: Math.round(at.y * 10) / 10 },
      zone,
      patch: reached?.patch ?? null,
    });
  };
  const marked = content.patches.find(({ id }) => id === patchId);
  const cursor = cross && view.at(cross);
  return (
    <View
      ref={frame}
      role="img"
      aria-label={label}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ height }}
      className="w-full overflow-hidden rounded-2xl bg-panel"
      // On the web a press is a click, whatever pressed; its place is where the pointer was in the window.
      {...(onPress ? ({ onClick: press } as object) : {})}
    >
      {width > 0 ? (
        <Svg width={width} height={height} pointerEvents="none">
          <MownStripes />
          <PlanShapes shapes={shapes} />
        </Svg>
      ) : null}
      {cursor ? (
        <>
          <View
            pointerEvents="none"
            className="absolute h-[44px] w-[3px] rounded bg-ink"
            style={{ left: cursor.x - 1.5, top: cursor.y - 22 }}
          />
          <View
            pointerEvents="none"
            className="absolute h-[3px] w-[44px] rounded bg-ink"
            style={{ left: cursor.x - 22, top: cursor.y - 1.5 }}
          />
        </>
      ) : null}
      {width > 0 && mark && marked ? (
        <View
          pointerEvents="none"
          className="absolute overflow-hidden rounded-xl border-2 border-white bg-[#241C15]"
          style={{
            left: Math.min(width - MARK_PX, view.at(marked.centre).x + MARK_AWAY_PX),
            top: Math.max(0, view.at(marked.centre).y - MARK_AWAY_PX - MARK_PX / 2),
          }}
        >
          {mark}
        </View>
      ) : null}
    </View>
  );
}
