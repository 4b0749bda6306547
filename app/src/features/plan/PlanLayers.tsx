import { edgeLengths, type Point, type Zone } from '@alfombra/core';
import { groundShapes, markShapes, sheetShapes, type PlanView } from '@alfombra/core/drawing';
import { memo, type ReactNode } from 'react';
import { StyleSheet } from 'react-native';
import Svg, { Circle, G, Path, Rect, Text } from 'react-native-svg';
import type { Plan } from '@/state/planStore';
import { MownStripes, PlanShapes } from './drawing/PlanShapes';
import { usePlanWords } from './drawing/usePlanWords';
import { dotsPath, edgesPath, gridPath, runPath } from './planPaths';
import { usePlanUnits } from './usePlanUnits';

/** Corners that stand closer than this are dots, so that a curve stays a curve. */
const CROWDED_PX = 26;
const LABEL_PX = 44;
/** Corners up to this many carry a letter. */
const LETTERS = 26;
const BOLD = 'AtkinsonHyperlegibleNext_700Bold';
const INK = 'var(--plan-handle-ink)';
const PAPER = 'var(--plan-handle)';

/** Of nothing: the same list each time, so that a sheet is not painted again for it. */
const NONE: never[] = [];

interface LayerProps {
  view: PlanView;
}

/** One sheet of the plan. Sheets lie on each other, so that a drag repaints only its own. */
function Sheet({ view, children }: LayerProps & { children: ReactNode }) {
  return (
    <Svg
      width={view.width}
      height={view.height}
      pointerEvents="none"
      style={StyleSheet.absoluteFill}
    >
      {children}
    </Svg>
  );
}

/** The grid, what stands on the lawn, and the zones that are not being worked on. */
export const GroundSheet = memo(function GroundSheet({
  view,
  from,
  to,
  features,
  zones,
  zoneId,
  northDeg,
  pins,
}: LayerProps & {
  /** The plan's feet at the sheet's first and last corner. */
  from: Point;
  to: Point;
  features: Plan['features'];
  zones: readonly Zone[];
  zoneId: string | null;
  northDeg: number | null;
  pins: Plan['pins'];
}) {
  const words = usePlanWords();
  const others = zones.filter(({ id }) => id !== zoneId);
  return (
    <Sheet view={view}>
      <MownStripes />
      <Path d={gridPath(from, to, view.at)} stroke="var(--plan-grid)" fill="none" />
      <PlanShapes
        shapes={[
          ...groundShapes({ zones: others, features, patches: NONE, pins }, view, words, {
            zoneId: zoneId ?? '',
          }),
          ...sheetShapes({ northDeg }, view, words),
        ]}
      />
    </Sheet>
  );
});

/** The zone being worked on, with the handles of its corners and the lengths of its sides. */
export const ZoneSheet = memo(function ZoneSheet({
  view,
  zone,
  outline,
  edge,
  corner,
  handles,
  pins,
}: LayerProps & {
  zone: Zone;
  /** The outline as it is drawn now, a corner of it perhaps under the finger. */
  outline: readonly Point[];
  edge: number | null;
  /** The corner under the finger. */
  corner: number | null;
  handles: boolean;
  pins: Plan['pins'];
}) {
  const lengths = edgeLengths(outline);
  const { length: lengthWords } = usePlanUnits();
  const words = usePlanWords();
  const { at, scale } = view;
  const roomy = (index: number) => (lengths[index] as number) * scale > CROWDED_PX;
  return (
    <Sheet view={view}>
      <MownStripes />
      <PlanShapes
        shapes={groundShapes(
          { zones: [{ ...zone, outline: [...outline] }], features: NONE, patches: NONE, pins },
          view,
          words,
        )}
      />
      {edge !== null ? (
        <Path
          d={edgesPath(outline, at, (index) => index === edge)}
          stroke={`var(--plan-${zone.edges[edge] === 'assumed' ? 'assumed' : 'edge'})`}
          strokeWidth={6}
          fill="none"
        />
      ) : null}
      {handles ? (
        <>
          <Path
            d={dotsPath(
              outline.filter((_, index) => !roomy(index)),
              at,
            )}
            fill={PAPER}
            stroke={INK}
            strokeWidth={2.5}
          />
          {outline.map((place, index) =>
            roomy(index) || corner === index ? (
              <Corner
                key={index}
                at={at(place)}
                next={at(outline[(index + 1) % outline.length] as Point)}
                length={
                  (lengths[index] as number) * scale > LABEL_PX
                    ? lengthWords(lengths[index] as number)
                    : null
                }
                letter={
                  roomy(index) && outline.length <= LETTERS ? String.fromCharCode(65 + index) : null
                }
                held={corner === index}
              />
            ) : null,
          )}
        </>
      ) : null}
    </Sheet>
  );
});

function Corner({
  at: { x, y },
  next,
  length,
  letter,
  held,
}: {
  at: Point;
  next: Point;
  /** Of the side to the next corner, where there is room for it. */
  length: string | null;
  letter: string | null;
  held: boolean;
}) {
  return (
    <G>
      {length ? (
        <>
          <Rect
            x={(x + next.x) / 2 - 22}
            y={(y + next.y) / 2 - 10}
            width={44}
            height={20}
            rx={6}
            fill={PAPER}
          />
          <Text
            x={(x + next.x) / 2}
            y={(y + next.y) / 2 + 5}
            textAnchor="middle"
            fontSize={13}
            fontFamily={BOLD}
            fill={INK}
          >
            {length}
          </Text>
        </>
      ) : null}
      <Circle cx={x} cy={y} r={held ? 15 : 12} fill={PAPER} stroke={INK} strokeWidth={2.5} />
      {letter ? (
        <Text x={x} y={y + 5} textAnchor="middle" fontSize={13} fontFamily={BOLD} fill={INK}>
          {letter}
        </Text>
      ) : null}
    </G>
  );
}

/** Lines, weed patches, pins and a shape that is being tapped in. */
export const MarkSheet = memo(function MarkSheet({
  view,
  lines,
  weedPatches,
  pins,
  sketch,
}: LayerProps &
  Pick<Plan, 'lines' | 'weedPatches' | 'pins'> & {
    sketch: readonly Point[] | null;
  }) {
  const { at } = view;
  return (
    <Sheet view={view}>
      <PlanShapes shapes={markShapes({ lines, weedPatches, pins }, view)} />
      {sketch && sketch.length > 0 ? (
        <>
          <Path d={runPath(sketch, at)} stroke="var(--plan-dry)" strokeWidth={3} fill="none" />
          {sketch.map((p, index) => (
            <Circle
              key={index}
              cx={at(p).x}
              cy={at(p).y}
              r={8}
              fill="var(--plan-damage)"
              stroke="var(--plan-on-damage)"
              strokeWidth={2}
            />
          ))}
        </>
      ) : null}
    </Sheet>
  );
});
