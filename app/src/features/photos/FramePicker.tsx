import type { PhotoFrame } from '@alfombra/core/photo';
import { useRef, useState, type PointerEvent as ReactPointerEvent, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Image, View, type ViewStyle } from 'react-native';

/** Smallest frame, share of the picture. */
const LEAST = 0.1;
const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** A frame after a drag by shares of the picture: moved as it is, or sized by its corner. */
export function draggedFrame(
  frame: PhotoFrame,
  part: 'move' | 'size',
  dx: number,
  dy: number,
): PhotoFrame {
  return part === 'move'
    ? {
        ...frame,
        x: within(frame.x + dx, 0, 1 - frame.width),
        y: within(frame.y + dy, 0, 1 - frame.height),
      }
    : {
        ...frame,
        width: within(frame.width + dx, LEAST, 1 - frame.x),
        height: within(frame.height + dy, LEAST, 1 - frame.y),
      };
}

/** A part of the frame under a finger: it moves the frame or sizes it. */
function Grip({
  part,
  frame,
  box,
  onFrame,
  testID,
  className,
  style,
  children,
}: {
  part: 'move' | 'size';
  frame: PhotoFrame;
  /** The picture on the screen, px. */
  box: { width: number; height: number };
  onFrame: (frame: PhotoFrame) => void;
  testID: string;
  className: string;
  style?: ViewStyle;
  children?: ReactNode;
}) {
  const from = useRef<{ x: number; y: number; frame: PhotoFrame } | null>(null);
  const handlers = {
    onPointerDown: (event: ReactPointerEvent) => {
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      from.current = { x: event.clientX, y: event.clientY, frame };
    },
    onPointerMove: (event: ReactPointerEvent) => {
      event.stopPropagation();
      const start = from.current;
      if (!start) return;
      const dx = (event.clientX - start.x) / box.width;
      const dy = (event.clientY - start.y) / box.height;
      onFrame(draggedFrame(start.frame, part, dx, dy));
    },
    onPointerUp: () => {
      from.current = null;
    },
    onPointerCancel: () => {
      from.current = null;
    },
  } as object;
  return (
    <View {...handlers} testID={testID} className={className} style={style}>
      {children}
    </View>
  );
}

/** A picture with a frame to drag over the turf that is to be measured. */
export function FramePicker({
  source,
  frame,
  onFrame,
}: {
  source: string;
  frame: PhotoFrame;
  onFrame: (frame: PhotoFrame) => void;
}) {
  const { t } = useTranslation();
  const [box, setBox] = useState({ width: 1, height: 1 });
  const [ratio, setRatio] = useState(4 / 3);
  const percent = (share: number): `${number}%` => `${share * 100}%`;
  return (
    <View
      className="w-full overflow-hidden rounded-xl bg-panel"
      style={[{ aspectRatio: ratio }, { touchAction: 'none' } as object]}
      onLayout={({ nativeEvent }) => setBox(nativeEvent.layout)}
    >
      <Image
        source={{ uri: source }}
        accessibilityLabel={t('measurePhoto.title')}
        style={{ width: '100%', height: '100%' }}
        onLoad={({ nativeEvent }) => {
          const { width, height } = nativeEvent.source ?? {};
          if (width && height) setRatio(width / height);
        }}
      />
      <Grip
        part="move"
        frame={frame}
        box={box}
        onFrame={onFrame}
        testID="photo-frame"
        className="absolute border-[3px] border-[#D9A21B]"
        style={{
          left: percent(frame.x),
          top: percent(frame.y),
          width: percent(frame.width),
          height: percent(frame.height),
        }}
      >
        <Grip
          part="size"
          frame={frame}
          box={box}
          onFrame={onFrame}
          testID="photo-frame-corner"
          className="absolute bottom-0 right-0 h-[44px] w-[44px] rounded-tl-2xl bg-[#D9A21B]"
        />
      </Grip>
    </View>
  );
}
