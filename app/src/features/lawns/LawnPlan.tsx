import {
  edgeLengths,
  polygonArea,
  zoneArea,
  type Lawn,
  type Patch,
  type Point,
} from '@alfombra/core';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Circle, Defs, Ellipse, G, Line, Path, Pattern, Rect, Text } from 'react-native-svg';
import { number } from '@/ui';

const MARGIN = 10;
const STRIPE_DEGREES = 28;
/** Size of a mark beside a patch and how far it stands off, px. */
const MARK_PX = 40;
const MARK_AWAY_PX = 16;

const path = (outline: readonly Point[], at: (p: Point) => Point): string =>
  `${outline.map((corner, i) => `${i === 0 ? 'M' : 'L'}${at(corner).x} ${at(corner).y}`).join('')}Z`;

/** What the plan shows: the lot, or with `focus` one zone and a little round it. */
function bounds(lawn: Lawn, focus: string | null) {
  const zone = lawn.zones.find(({ id }) => id === focus);
  const all = zone
    ? zone.outline
    : [
        ...lawn.zones.flatMap(({ outline }) => outline),
        ...lawn.features.flatMap(({ outline }) => outline),
      ];
  const xs = all.map(({ x }) => x);
  const ys = all.map(({ y }) => y);
  return {
    left: Math.min(...xs),
    top: Math.min(...ys),
    width: Math.max(...xs) - Math.min(...xs),
    height: Math.max(...ys) - Math.min(...ys),
  };
}

/** Mean width of a letter of a zone's name, px: a name that does not fit is left to the chips. */
const LETTER_WIDTH = 9;

const widthOf = (outline: readonly Point[]): number => {
  const xs = outline.map(({ x }) => x);
  return Math.max(...xs) - Math.min(...xs);
};

const middle = (outline: readonly Point[]): Point => ({
  x: outline.reduce((sum, { x }) => sum + x, 0) / outline.length,
  y: outline.reduce((sum, { y }) => sum + y, 0) / outline.length,
});

export interface LawnPlanProps {
  lawn: Lawn;
  /** The zone at hand; the others stay pale. All are saturated when none is named. */
  zoneId?: string | null;
  patchId?: string | null;
  /** Shows the zone at hand large, not the whole lot. */
  focus?: boolean;
  height: number;
  onZone?: (zoneId: string) => void;
  onPatch?: (patch: Patch) => void;
  /** Drawn beside the patch at hand, for instance the pattern seen there. */
  mark?: ReactNode;
  /** A tap at a place of the plan, in feet. */
  onPlace?: (place: Point) => void;
}

/** The lawn drawn to scale: mown stripes, dashed edges where they are only assumed, damage as patches. */
export function LawnPlan({
  lawn,
  zoneId = null,
  patchId = null,
  focus = false,
  height,
  onZone,
  onPatch,
  mark,
  onPlace,
}: LawnPlanProps) {
  const { t } = useTranslation();
  const [width, setWidth] = useState(0);
  const box = bounds(lawn, focus ? zoneId : null);
  const scale = Math.min(
    (width - 2 * MARGIN) / Math.max(1, box.width),
    (height - 2 * MARGIN) / Math.max(1, box.height),
  );
  const dx = (width - box.width * scale) / 2;
  const dy = (height - box.height * scale) / 2;
  const at = ({ x, y }: Point): Point => ({
    x: dx + (x - box.left) * scale,
    y: dy + (y - box.top) * scale,
  });
  const marked = lawn.patches.find(({ id }) => id === patchId);
  const place = (event: { nativeEvent: { locationX: number; locationY: number } }) =>
    onPlace?.({
      x: (event.nativeEvent.locationX - dx) / scale + box.left,
      y: (event.nativeEvent.locationY - dy) / scale + box.top,
    });
  return (
    <View
      role="img"
      aria-label={t('lawn.planLabel', { name: lawn.name })}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ height }}
      className="w-full overflow-hidden rounded-2xl bg-panel"
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          <Defs>
            {(['lit', 'pale'] as const).map((state) => (
              <Pattern
                key={state}
                id={`mown-${state}`}
                width={16}
                height={16}
                patternUnits="userSpaceOnUse"
                patternTransform={`rotate(${STRIPE_DEGREES})`}
              >
                <Rect width={16} height={16} fill={state === 'lit' ? '#2F7F6D' : '#BFDCD2'} />
                <Rect width={8} height={16} fill={state === 'lit' ? '#1F5B4E' : '#A9CFC2'} />
              </Pattern>
            ))}
          </Defs>
          {lawn.features.map((feature, index) => (
            <G key={index}>
              <Path
                d={path(feature.outline, at)}
                fill={feature.kind === 'house' ? '#FFFFFF' : '#E6DBC5'}
                stroke={feature.kind === 'house' ? '#45382B' : 'none'}
                strokeWidth={2}
              />
              {widthOf(feature.outline) * scale > 52 ? (
                <Text
                  x={at(middle(feature.outline)).x}
                  y={at(middle(feature.outline)).y + 5}
                  textAnchor="middle"
                  fontSize={14}
                  fontFamily="AtkinsonHyperlegibleNext_400Regular"
                  fill="#45382B"
                >
                  {t(`lawn.feature.${feature.kind}`)}
                </Text>
              ) : null}
            </G>
          ))}
          {lawn.zones.map((zone) => {
            const lit = zoneId === null || zone.id === zoneId;
            const lengths = edgeLengths(zone.outline);
            const centre = at(middle(zone.outline));
            const roomy = Math.sqrt(polygonArea(zone.outline)) * scale > 62;
            const across = widthOf(zone.outline) * scale;
            return (
              <G key={zone.id}>
                <Path
                  d={`${path(zone.outline, at)}${zone.cutouts.map((cut) => path(cut, at)).join('')}`}
                  fillRule="evenodd"
                  fill={`url(#mown-${lit ? 'lit' : 'pale'})`}
                  onPress={onPlace ? place : onZone ? () => onZone(zone.id) : undefined}
                />
                {zone.outline.map((corner, index) => {
                  const from = at(corner);
                  const to = at(zone.outline[(index + 1) % zone.outline.length] as Point);
                  const assumed = zone.edges[index] === 'assumed';
                  return (
                    <Line
                      key={`${index}-${lengths[index]}`}
                      x1={from.x}
                      y1={from.y}
                      x2={to.x}
                      y2={to.y}
                      stroke={assumed ? '#B9472F' : '#45382B'}
                      strokeWidth={assumed ? 2.5 : 1.2}
                      {...(assumed ? { strokeDasharray: '5 4' } : {})}
                    />
                  );
                })}
                {roomy ? (
                  <>
                    <Text
                      x={centre.x}
                      y={centre.y - 2}
                      textAnchor="middle"
                      fontSize={14}
                      fontFamily="AtkinsonHyperlegibleNext_700Bold"
                      fill={lit ? '#FFFFFF' : '#1F3B33'}
                      pointerEvents="none"
                    >
                      {zone.name}
                    </Text>
                    <Text
                      x={centre.x}
                      y={centre.y + 14}
                      textAnchor="middle"
                      fontSize={14}
                      fontFamily="AtkinsonHyperlegibleNext_400Regular"
                      fill={lit ? '#FFFFFF' : '#1F3B33'}
                      pointerEvents="none"
                    >
                      {t('common.ft2', { value: number(zoneArea(zone)) })}
                    </Text>
                  </>
                ) : across < zone.name.length * LETTER_WIDTH ? null : (
                  <Text
                    x={centre.x}
                    y={centre.y + 4}
                    textAnchor="middle"
                    fontSize={14}
                    fontFamily="AtkinsonHyperlegibleNext_700Bold"
                    fill={lit ? '#FFFFFF' : '#1F3B33'}
                    pointerEvents="none"
                  >
                    {zone.name}
                  </Text>
                )}
              </G>
            );
          })}
          {lawn.patches.map((patch) => {
            const centre = at(patch.centre);
            const here = patchId === null || patch.id === patchId;
            return (
              <G key={patch.id} onPress={onPatch ? () => onPatch(patch) : undefined}>
                <Ellipse
                  cx={centre.x}
                  cy={centre.y}
                  rx={Math.max(13, (patch.widthFt * scale) / 2)}
                  ry={Math.max(13, (patch.lengthFt * scale) / 2)}
                  fill={here ? '#D9A21B' : '#F6E4B4'}
                  stroke="#FFFFFF"
                  strokeWidth={2}
                />
                <Circle cx={centre.x} cy={centre.y} r={22} fill="transparent" />
                <Text
                  x={centre.x}
                  y={centre.y + 5}
                  textAnchor="middle"
                  fontSize={15}
                  fontFamily="AtkinsonHyperlegibleNext_700Bold"
                  fill="#241C15"
                  pointerEvents="none"
                >
                  {patch.number}
                </Text>
              </G>
            );
          })}
        </Svg>
      ) : null}
      {width > 0 && mark && marked ? (
        <View
          pointerEvents="none"
          className="absolute overflow-hidden rounded-xl border-2 border-white bg-[#241C15]"
          style={{
            left: Math.min(width - MARK_PX, at(marked.centre).x + MARK_AWAY_PX),
            top: Math.max(0, at(marked.centre).y - MARK_AWAY_PX - MARK_PX / 2),
          }}
        >
          {mark}
        </View>
      ) : null}
    </View>
  );
}
