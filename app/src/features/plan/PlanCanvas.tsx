import { edgeLengths, planDrawing, type Point } from '@alfombra/core';
import { moveCorner, snapPoint } from '@alfombra/core/measuring';
import { useMemo, useRef, useState, type PointerEvent as ReactPointerEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import type { Plan } from '@/state/planStore';
import { Button, number } from '@/ui';
import { PinMark } from './PinMark';
import { boxOf, usePlanView } from './usePlanView';

const GRID_FT = 10;
/** Half of a gloved fingertip, px. */
const REACH_PX = 26;
const TAP_PX = 6;
const CROWDED_PX = 26;
const DOT_PX = 5;
const BOLD = 'AtkinsonHyperlegibleNext_700Bold';

/** The chosen edges of an outline as one path: one node to repaint, however many corners there are. */
const edgesPath = (
  outline: readonly Point[],
  at: (p: Point) => Point,
  chosen: (edge: number) => boolean,
): string =>
  outline
    .map((corner, index) => {
      if (!chosen(index)) return '';
      const [from, to] = [at(corner), at(outline[(index + 1) % outline.length] as Point)];
      return `M${from.x.toFixed(1)} ${from.y.toFixed(1)}L${to.x.toFixed(1)} ${to.y.toFixed(1)}`;
    })
    .join('');

/** Small dots for corners that stand too close for a handle. */
const dotsPath = (corners: readonly Point[], at: (p: Point) => Point): string =>
  corners
    .map((corner) => {
      const { x, y } = at(corner);
      return `M${(x - DOT_PX).toFixed(1)} ${y.toFixed(1)}a${DOT_PX} ${DOT_PX} 0 1 0 ${2 * DOT_PX} 0a${DOT_PX} ${DOT_PX} 0 1 0 ${-2 * DOT_PX} 0`;
    })
    .join('');

export interface PlanCanvasProps {
  plan: Plan;
  zoneId: string | null;
  edge: number | null;
  /** Corners of a shape that is being tapped in. */
  sketch: readonly Point[] | null;
  height: number;
  /** Corners can be dragged. */
  drag: boolean;
  onTap: (at: Point) => void;
  onEdge: (edge: number) => void;
  onCorner: (outline: Point[]) => void;
}

const closed = (outline: readonly Point[], at: (p: Point) => Point): string =>
  `${outline.map((p, i) => `${i === 0 ? 'M' : 'L'}${at(p).x.toFixed(1)} ${at(p).y.toFixed(1)}`).join('')}Z`;

/** The plan to draw on: a scaled grid, corners to drag, edges to tap. */
export function PlanCanvas({
  plan,
  zoneId,
  edge,
  sketch,
  height,
  drag,
  onTap,
  onEdge,
  onCorner,
}: PlanCanvasProps) {
  const { t } = useTranslation();
  const [width, setWidth] = useState(0);
  const [moving, setMoving] = useState<{ corner: number; outline: Point[] } | null>(null);
  const start = useRef<{ x: number; y: number; corner: number | null; moved: boolean } | null>(
    null,
  );
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
  const zone = plan.zones.find(({ id }) => id === zoneId);
  const outline = moving?.outline ?? zone?.outline ?? [];
  const others = plan.zones.filter(({ id }) => id !== zoneId).map((entry) => entry.outline);
  const at = view.toScreen;

  const place = (event: ReactPointerEvent): Point => {
    const frame = event.currentTarget.getBoundingClientRect();
    return { x: event.clientX - frame.left, y: event.clientY - frame.top };
  };
  const down = (event: ReactPointerEvent) => {
    const p = place(event);
    const near = drag
      ? outline.map((corner) => Math.hypot(at(corner).x - p.x, at(corner).y - p.y))
      : [];
    const least = Math.min(...near);
    const corner = near.length > 0 && least <= REACH_PX ? near.indexOf(least) : null;
    start.current = { ...p, corner, moved: false };
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const move = (event: ReactPointerEvent) => {
    const from = start.current;
    if (!from) return;
    const p = place(event);
    if (!from.moved && Math.hypot(p.x - from.x, p.y - from.y) < TAP_PX) return;
    from.moved = true;
    if (from.corner !== null && zone) {
      const to = snapPoint(view.toPlan(p), others, planDrawing.snapFt);
      setMoving({ corner: from.corner, outline: moveCorner(zone.outline, from.corner, to) });
    } else {
      view.pan(p.x - from.x, p.y - from.y);
      start.current = { ...p, corner: null, moved: true };
    }
  };
  const up = (event: ReactPointerEvent) => {
    const from = start.current;
    start.current = null;
    if (moving) {
      onCorner(moving.outline);
      setMoving(null);
      return;
    }
    if (!from || from.moved) return;
    const p = place(event);
    const hit = drag ? nearestEdge(outline.map(at), p) : null;
    if (hit !== null) onEdge(hit);
    else onTap(view.toPlan(p));
  };
  const handlers = { onPointerDown: down, onPointerMove: move, onPointerUp: up } as object;
  const lengths = edgeLengths(outline);
  const grid = gridLines(view.toPlan({ x: 0, y: 0 }), view.toPlan({ x: width, y: height }));
  return (
    <View className="gap-2">
      <View
        role="img"
        aria-label={t('plan.canvas')}
        testID="plan-canvas"
        onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
        style={[{ height }, { touchAction: 'none' } as object]}
        className="w-full overflow-hidden rounded-2xl border-2 border-line bg-[#FBF8F1]"
        {...handlers}
      >
        {width > 0 ? (
          <Svg width={width} height={height} pointerEvents="none">
            {grid.x.map((x) => (
              <Line
                key={`x${x}`}
                x1={at({ x, y: 0 }).x}
                x2={at({ x, y: 0 }).x}
                y1={0}
                y2={height}
                stroke="#E6DBC5"
              />
            ))}
            {grid.y.map((y) => (
              <Line
                key={`y${y}`}
                y1={at({ x: 0, y }).y}
                y2={at({ x: 0, y }).y}
                x1={0}
                x2={width}
                stroke="#E6DBC5"
              />
            ))}
            {plan.features.map((feature, index) => (
              <Path key={index} d={closed(feature.outline, at)} fill="#E6DBC5" stroke="#45382B" />
            ))}
            {plan.zones.map((entry) => {
              const shape = entry.id === zoneId ? outline : entry.outline;
              return (
                <Path
                  key={entry.id}
                  d={`${closed(shape, at)}${entry.cutouts.map((cut) => closed(cut, at)).join('')}`}
                  fillRule="evenodd"
                  fill={entry.id === zoneId ? '#2F7F6D' : '#BFDCD2'}
                  fillOpacity={entry.id === zoneId ? 0.75 : 0.8}
                />
              );
            })}
            {plan.zones.map((entry) => {
              const shape = entry.id === zoneId ? outline : entry.outline;
              return (
                <G key={entry.id}>
                  {(['confirmed', 'assumed'] as const).map((state) => (
                    <Path
                      key={state}
                      d={edgesPath(shape, at, (index) => entry.edges[index] === state)}
                      stroke={state === 'assumed' ? '#B9472F' : '#45382B'}
                      strokeWidth={state === 'assumed' ? 3 : 2}
                      {...(state === 'assumed' ? { strokeDasharray: '7 5' } : {})}
                      fill="none"
                    />
                  ))}
                  {entry.id === zoneId && edge !== null ? (
                    <Path
                      d={edgesPath(shape, at, (index) => index === edge)}
                      stroke={entry.edges[edge] === 'assumed' ? '#B9472F' : '#45382B'}
                      strokeWidth={6}
                      fill="none"
                    />
                  ) : null}
                </G>
              );
            })}
            {plan.lines.map((line) => (
              <Path
                key={line.id}
                d={line.points
                  .map((p, i) => `${i === 0 ? 'M' : 'L'}${at(p).x} ${at(p).y}`)
                  .join('')}
                stroke="#22406B"
                strokeWidth={4}
                strokeDasharray="2 5"
                strokeLinecap="round"
                fill="none"
              />
            ))}
            {plan.weedPatches.map((patch) => (
              <G key={patch.id}>
                <Circle
                  cx={at(patch.centre).x}
                  cy={at(patch.centre).y}
                  r={Math.max(10, (Math.sqrt(patch.lengthFt * patch.widthFt) / 2) * view.scale)}
                  fill="#B9472F"
                  fillOpacity={0.35}
                  stroke="#8E2F22"
                  strokeWidth={2}
                />
              </G>
            ))}
            {plan.pins.map((pin) => (
              <PinMark key={pin.id} kind={pin.kind} x={at(pin.at).x} y={at(pin.at).y} />
            ))}
            {drag && zone ? (
              <Path
                d={dotsPath(
                  outline.filter(
                    (_, index) => (lengths[index] as number) * view.scale <= CROWDED_PX,
                  ),
                  at,
                )}
                fill="#FBF8F1"
                stroke="#241C15"
                strokeWidth={2.5}
              />
            ) : null}
            {drag && zone
              ? outline.map((corner, index) => {
                  const { x, y } = at(corner);
                  const to = at(outline[(index + 1) % outline.length] as Point);
                  const length = lengths[index] as number;
                  // Corners closer than a handle are dots, so that a curve stays a curve.
                  const roomy = length * view.scale > CROWDED_PX;
                  if (!roomy && moving?.corner !== index) return null;
                  return (
                    <G key={index}>
                      {length * view.scale > 44 ? (
                        <G>
                          <Rect
                            x={(x + to.x) / 2 - 22}
                            y={(y + to.y) / 2 - 10}
                            width={44}
                            height={20}
                            rx={6}
                            fill="#FBF8F1"
                          />
                          <Text
                            x={(x + to.x) / 2}
                            y={(y + to.y) / 2 + 5}
                            textAnchor="middle"
                            fontSize={13}
                            fontFamily={BOLD}
                            fill="#241C15"
                          >
                            {number(length, length < 10 ? 1 : 0)}
                          </Text>
                        </G>
                      ) : null}
                      <Circle
                        cx={x}
                        cy={y}
                        r={moving?.corner === index ? 15 : 12}
                        fill="#FBF8F1"
                        stroke="#241C15"
                        strokeWidth={2.5}
                      />
                      {roomy && outline.length <= 26 ? (
                        <Text
                          x={x}
                          y={y + 5}
                          textAnchor="middle"
                          fontSize={13}
                          fontFamily={BOLD}
                          fill="#241C15"
                        >
                          {String.fromCharCode(65 + index)}
                        </Text>
                      ) : null}
                    </G>
                  );
                })
              : null}
            {sketch && sketch.length > 0 ? (
              <G>
                <Path
                  d={sketch.map((p, i) => `${i === 0 ? 'M' : 'L'}${at(p).x} ${at(p).y}`).join('')}
                  stroke="#8A5F00"
                  strokeWidth={3}
                  fill="none"
                />
                {sketch.map((p, index) => (
                  <Circle
                    key={index}
                    cx={at(p).x}
                    cy={at(p).y}
                    r={8}
                    fill="#D9A21B"
                    stroke="#241C15"
                    strokeWidth={2}
                  />
                ))}
              </G>
            ) : null}
          </Svg>
        ) : null}
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

/** Multiples of the grid step between two corners of the screen; none when they would be a blur. */
function gridLines(from: Point, to: Point) {
  const MOST = 60;
  const between = (a: number, b: number) => {
    const first = Math.ceil(a / GRID_FT);
    const count = Math.floor(b / GRID_FT) - first + 1;
    return count > 0 && count <= MOST
      ? Array.from({ length: count }, (_, index) => (first + index) * GRID_FT)
      : [];
  };
  return { x: between(from.x, to.x), y: between(from.y, to.y) };
}

/** The edge within reach of a tap, by its first corner. */
function nearestEdge(corners: readonly Point[], p: Point): number | null {
  let best: number | null = null;
  let least = REACH_PX * 0.7;
  corners.forEach((a, index) => {
    const b = corners[(index + 1) % corners.length] as Point;
    const length2 = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
    if (length2 === 0) return;
    const s = Math.min(
      1,
      Math.max(0, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length2),
    );
    const d = Math.hypot(a.x + s * (b.x - a.x) - p.x, a.y + s * (b.y - a.y) - p.y);
    if (d < least) {
      least = d;
      best = index;
    }
  });
  return best;
}
