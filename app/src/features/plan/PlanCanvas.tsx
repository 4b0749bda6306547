import { planDrawing, type Point } from '@alfombra/core';
import { moveCorner, snapPoint } from '@alfombra/core/measuring';
import { useDrag, usePinch } from '@use-gesture/react';
import { useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { Plan } from '@/state/planStore';
import { Button } from '@/ui';
import { GroundSheet, MarkSheet, ZoneSheet } from './PlanLayers';
import { markGrips, moveMark, type MarkGrip, type MarkKind } from './planMarks';
import { nearestEdge, nearestPlace } from './planPaths';
import { boxOf, usePlanView } from './usePlanView';

/** Half of a gloved fingertip, px. */
const REACH_PX = 26;
const EDGE_REACH_PX = 18;
const TAP_PX = 6;
const NONE: readonly Point[] = [];

export interface PlanCanvasProps {
  plan: Plan;
  zoneId: string | null;
  edge: number | null;
  /** Corners of a shape that is being tapped in. */
  sketch: readonly Point[] | null;
  height: number;
  /** What a finger can take hold of. */
  drag: readonly ('corner' | MarkKind)[];
  onTap: (at: Point) => void;
  onEdge: (edge: number) => void;
  onCorner: (outline: Point[]) => void;
  onMark: (grip: MarkGrip) => void;
}

/** The plan to draw on: a scaled grid, corners and marks to drag, edges to tap, and its zoom. */
export function PlanCanvas(props: PlanCanvasProps) {
  const { plan, sketch, height } = props;
  const { t } = useTranslation();
  const [width, setWidth] = useState(0);
  const box = useMemo(
    () =>
      boxOf([
        ...plan.zones.flatMap(({ outline }) => outline),
        ...plan.features.flatMap(({ outline }) => outline),
        ...(sketch ?? []),
      ]),
    [plan.zones, plan.features, sketch],
  );
  const view = usePlanView(box, width, height);
  return (
    <View className="gap-2">
      <View onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
        <PlanSurface {...props} width={width} view={view} />
      </View>
      <View className="flex-row gap-2">
        <View className="flex-1">
          <Button kind="plain" label={t('plan.closer')} onPress={view.zoomIn} />
        </View>
        <View className="flex-1">
          <Button kind="plain" label={t('plan.farther')} onPress={view.zoomOut} />
        </View>
        <View className="flex-1">
          <Button kind="plain" label={t('plan.whole')} onPress={view.showAll} />
        </View>
      </View>
    </View>
  );
}

type Held = { corner: number } | { grip: MarkGrip } | 'plan';
/** A corner's outline or a mark's place while it is under the finger. */
type Moving = { corner: number; outline: Point[] } | { grip: MarkGrip };

/** The sheets of the plan and the finger on them. */
function PlanSurface({
  plan,
  zoneId,
  edge,
  sketch,
  height,
  drag,
  onTap,
  onEdge,
  onCorner,
  onMark,
  width,
  view,
}: PlanCanvasProps & { width: number; view: ReturnType<typeof usePlanView> }) {
  const { t } = useTranslation();
  const [moving, setMoving] = useState<Moving | null>(null);
  const surface = useRef<View>(null);
  const held = useRef<Held>('plan');
  const tapped = useRef<Point | null>(null);
  const frame = useRef(0);
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  const at = view.toScreen;
  const zone = plan.zones.find(({ id }) => id === zoneId);
  const others = useMemo(
    () => plan.zones.filter(({ id }) => id !== zoneId).map(({ outline }) => outline),
    [plan.zones, zoneId],
  );
  const corners = drag.includes('corner') ? (zone?.outline ?? NONE) : NONE;
  const outline = moving && 'corner' in moving ? moving.outline : (zone?.outline ?? NONE);
  const marks = moving && 'grip' in moving ? moveMark(plan, moving.grip) : plan;

  const hold = (p: Point): Held => {
    const corner = nearestPlace(corners.map(at), p, REACH_PX);
    if (corner !== null) return { corner };
    const grips = markGrips(
      plan,
      drag.filter((kind) => kind !== 'corner'),
    );
    const grip = nearestPlace(
      grips.map((entry) => at(entry.at)),
      p,
      REACH_PX,
    );
    return grip === null ? 'plan' : { grip: grips[grip] as MarkGrip };
  };
  const movedTo = (held: Held, p: Point): Moving | null => {
    const to = view.toPlan(p);
    if (held === 'plan') return null;
    if ('grip' in held) {
      const tenth = (feet: number) => Math.round(feet * 10) / 10;
      return { grip: { ...held.grip, at: { x: tenth(to.x), y: tenth(to.y) } } };
    }
    return zone
      ? {
          corner: held.corner,
          outline: moveCorner(zone.outline, held.corner, snapPoint(to, others, planDrawing.snapFt)),
        }
      : null;
  };
  const placeOf = ([x, y]: readonly [number, number]): Point => {
    const rect = (surface.current as unknown as HTMLElement).getBoundingClientRect();
    return { x: x - rect.left, y: y - rect.top };
  };
  const drop = () => {
    cancelAnimationFrame(frame.current);
    setMoving(null);
  };
  const target = {
    target: surface as unknown as RefObject<HTMLElement>,
    eventOptions: { passive: false },
  };
  useDrag(
    ({ first, last, tap, canceled, touches, cancel, xy, initial, delta }) => {
      // A second finger has come down: whatever the first one held is let go.
      if (touches > 1) cancel();
      if (touches > 1 || canceled) return drop();
      const p = placeOf(xy);
      if (tap) {
        tapped.current = p;
        return;
      }
      tapped.current = null;
      if (first) held.current = hold(placeOf(initial));
      const holding = held.current;
      if (holding === 'plan') return view.pan(delta[0], delta[1]);
      if (!last) {
        // A mouse or a stylus reports more often than the screen draws: one drawing a frame is enough.
        cancelAnimationFrame(frame.current);
        frame.current = requestAnimationFrame(() => setMoving(movedTo(holding, p)));
        return;
      }
      drop();
      const dropped = movedTo(holding, p);
      if (dropped && 'grip' in dropped) onMark(dropped.grip);
      else if (dropped) onCorner(dropped.outline);
    },
    { ...target, filterTaps: true, threshold: TAP_PX },
  );
  usePinch(({ first, origin, movement: [factor], memo }) => {
    const p = placeOf(origin);
    const began = first ? { seen: view.seen, p } : (memo as { seen: typeof view.seen; p: Point });
    view.pinch(began.seen, began.p, p, factor);
    return began;
  }, target);
  // A tap counts with its click, the last that a browser says of it: what a tap opens would else lie under
  // the finger when the click comes, and take it.
  const click = () => {
    const p = tapped.current;
    tapped.current = null;
    if (!p) return;
    const hit = nearestEdge(corners.map(at), p, EDGE_REACH_PX);
    if (hit !== null) onEdge(hit);
    else onTap(view.toPlan(p));
  };
  const from = useMemo(() => view.toPlan({ x: 0, y: 0 }), [view]);
  const to = useMemo(() => view.toPlan({ x: width, y: height }), [view, width, height]);
  const sheet = useMemo(
    () => ({ at, scale: view.scale, width, height }),
    [at, view.scale, width, height],
  );
  return (
    <View
      ref={surface}
      role="img"
      aria-label={t('plan.canvas')}
      testID="plan-canvas"
      {...({ onClick: click } as object)}
      style={[{ height }, { touchAction: 'none' } as object]}
      className="w-full overflow-hidden rounded-2xl border-2 border-line bg-panel"
    >
      {width > 0 ? (
        <>
          <GroundSheet
            view={sheet}
            northDeg={plan.northDeg}
            pins={plan.pins}
            from={from}
            to={to}
            features={plan.features}
            zones={plan.zones}
            zoneId={zoneId}
          />
          {zone ? (
            <ZoneSheet
              view={sheet}
              zone={zone}
              outline={outline}
              edge={edge}
              corner={moving && 'corner' in moving ? moving.corner : null}
              handles={drag.includes('corner')}
              pins={plan.pins}
            />
          ) : null}
          <MarkSheet
            view={sheet}
            lines={marks.lines}
            weedPatches={marks.weedPatches}
            pins={marks.pins}
            sketch={sketch}
          />
        </>
      ) : null}
    </View>
  );
}
