import { edgeLengths, type Point, type Zone } from '@alfombra/core';
import { memo, type ReactNode } from 'react';
import { StyleSheet } from 'react-native';
import Svg, { Circle, G, Path, Rect, Text } from 'react-native-svg';
import type { Plan } from '@/state/planStore';
import { PinMark } from './PinMark';
import { closedPath, dotsPath, edgesPath, gridPath, runPath, type ToScreen } from './planPaths';
import { usePlanUnits } from './usePlanUnits';

/** Corners that stand closer than this are dots, so that a curve stays a curve. */
const CROWDED_PX = 26;
const LABEL_PX = 44;
/** Corners up to this many carry a letter. */
const LETTERS = 26;
const BOLD = 'AtkinsonHyperlegibleNext_700Bold';
const INK = '#241C15';
const PAPER = '#FBF8F1';

interface LayerProps {
  width: number;
  height: number;
  at: ToScreen;
}

/** One sheet of the plan. Sheets lie on each other, so that a drag repaints only its own. */
function Sheet({ width, height, children }: Omit<LayerProps, 'at'> & { children: ReactNode }) {
  return (
    <Svg width={width} height={height} pointerEvents="none" style={StyleSheet.absoluteFill}>
      {children}
    </Svg>
  );
}

function Edges({ zone, outline, at }: { zone: Zone; outline: readonly Point[]; at: ToScreen }) {
  return (['confirmed', 'assumed'] as const).map((state) => (
    <Path
      key={state}
      d={edgesPath(outline, at, (index) => zone.edges[index] === state)}
      stroke={state === 'assumed' ? '#B9472F' : '#45382B'}
      strokeWidth={state === 'assumed' ? 3 : 2}
      {...(state === 'assumed' ? { strokeDasharray: '7 5' } : {})}
      fill="none"
    />
  ));
}

const shapeOf = (outline: readonly Point[], cutouts: Zone['cutouts'], at: ToScreen) =>
  `${closedPath(outline, at)}${cutouts.map((cut) => closedPath(cut, at)).join('')}`;

/** The grid, what stands on the lawn, and the zones that are not being worked on. */
export const GroundSheet = memo(function GroundSheet({
  width,
  height,
  at,
  from,
  to,
  features,
  zones,
  zoneId,
}: LayerProps & {
  /** The plan's feet at the sheet's first and last corner. */
  from: Point;
  to: Point;
  features: Plan['features'];
  zones: readonly Zone[];
  zoneId: string | null;
}) {
  return (
    <Sheet width={width} height={height}>
      <Path d={gridPath(from, to, at)} stroke="#E6DBC5" fill="none" />
      {features.map((feature, index) => (
        <Path key={index} d={closedPath(feature.outline, at)} fill="#E6DBC5" stroke="#45382B" />
      ))}
      {zones
        .filter(({ id }) => id !== zoneId)
        .map((zone) => (
          <G key={zone.id}>
            <Path
              d={shapeOf(zone.outline, zone.cutouts, at)}
              fillRule="evenodd"
              fill="#BFDCD2"
              fillOpacity={0.8}
            />
            <Edges zone={zone} outline={zone.outline} at={at} />
          </G>
        ))}
    </Sheet>
  );
});

/** The zone being worked on, with the handles of its corners and the lengths of its sides. */
export const ZoneSheet = memo(function ZoneSheet({
  width,
  height,
  at,
  scale,
  zone,
  outline,
  edge,
  corner,
  handles,
}: LayerProps & {
  /** Pixels a foot. */
  scale: number;
  zone: Zone;
  /** The outline as it is drawn now, a corner of it perhaps under the finger. */
  outline: readonly Point[];
  edge: number | null;
  /** The corner under the finger. */
  corner: number | null;
  handles: boolean;
}) {
  const lengths = edgeLengths(outline);
  const { length: lengthWords } = usePlanUnits();
  const roomy = (index: number) => (lengths[index] as number) * scale > CROWDED_PX;
  return (
    <Sheet width={width} height={height}>
      <Path
        d={shapeOf(outline, zone.cutouts, at)}
        fillRule="evenodd"
        fill="#2F7F6D"
        fillOpacity={0.75}
      />
      <Edges zone={zone} outline={outline} at={at} />
      {edge !== null ? (
        <Path
          d={edgesPath(outline, at, (index) => index === edge)}
          stroke={zone.edges[edge] === 'assumed' ? '#B9472F' : '#45382B'}
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
  width,
  height,
  at,
  scale,
  lines,
  weedPatches,
  pins,
  sketch,
}: LayerProps &
  Pick<Plan, 'lines' | 'weedPatches' | 'pins'> & {
    scale: number;
    sketch: readonly Point[] | null;
  }) {
  return (
    <Sheet width={width} height={height}>
      {lines.map((line) => (
        <Path
          key={line.id}
          d={runPath(line.points, at)}
          stroke="#22406B"
          strokeWidth={4}
          strokeDasharray="2 5"
          strokeLinecap="round"
          fill="none"
        />
      ))}
      {weedPatches.map((patch) => (
        <Circle
          key={patch.id}
          cx={at(patch.centre).x}
          cy={at(patch.centre).y}
          r={Math.max(10, (Math.sqrt(patch.lengthFt * patch.widthFt) / 2) * scale)}
          fill="#B9472F"
          fillOpacity={0.35}
          stroke="#8E2F22"
          strokeWidth={2}
        />
      ))}
      {pins.map((pin) => (
        <PinMark key={pin.id} kind={pin.kind} x={at(pin.at).x} y={at(pin.at).y} />
      ))}
      {sketch && sketch.length > 0 ? (
        <>
          <Path d={runPath(sketch, at)} stroke="#8A5F00" strokeWidth={3} fill="none" />
          {sketch.map((p, index) => (
            <Circle
              key={index}
              cx={at(p).x}
              cy={at(p).y}
              r={8}
              fill="#D9A21B"
              stroke={INK}
              strokeWidth={2}
            />
          ))}
        </>
      ) : null}
    </Sheet>
  );
});
