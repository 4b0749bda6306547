import { pinGlyph, type PlanShape } from '@alfombra/core/drawing';
import { memo } from 'react';
import { Circle, Defs, Ellipse, G, Line, Path, Pattern, Rect, Text } from 'react-native-svg';
import { closedPath, runPath } from '../planPaths';
import { PIN_INK, PLAN_LOOK, PLAN_TEXT } from './planInk';

const BODY = 'AtkinsonHyperlegibleNext_400Regular';
const BOLD = 'AtkinsonHyperlegibleNext_700Bold';
const STRIPE_DEGREES = 28;
const STRIPE_PX = 16;
const TEXT_PX = 14;
const PIN_PX = 14;

/** The mown stripes of the turf; once in every drawing that has turf. */
export function MownStripes() {
  return (
    <Defs>
      {(['lit', 'pale'] as const).map((state) => (
        <Pattern
          key={state}
          id={`mown-${state}`}
          width={STRIPE_PX}
          height={STRIPE_PX}
          patternUnits="userSpaceOnUse"
          patternTransform={`rotate(${STRIPE_DEGREES})`}
        >
          <Rect width={STRIPE_PX} height={STRIPE_PX} fill={`var(--plan-turf-${state})`} />
          <Rect width={STRIPE_PX / 2} height={STRIPE_PX} fill={`var(--plan-stripe-${state})`} />
        </Pattern>
      ))}
    </Defs>
  );
}

/** What the core laid out, drawn as it is drawn everywhere. */
export const PlanShapes = memo(function PlanShapes({ shapes }: { shapes: readonly PlanShape[] }) {
  return shapes.map((shape, index) => <Shape key={index} shape={shape} />);
});

const same = (p: { x: number; y: number }) => p;

function Shape({ shape }: { shape: PlanShape }) {
  switch (shape.kind) {
    case 'field': {
      const { fill, stroke, width } = PLAN_LOOK[shape.role];
      return (
        <Path
          d={shape.outlines.map((outline) => closedPath(outline, same)).join('')}
          fillRule="evenodd"
          fill={fill}
          stroke={stroke}
          strokeWidth={width}
        />
      );
    }
    case 'run': {
      const { stroke, width, dash } = PLAN_LOOK[shape.role];
      return (
        <Path
          d={runPath(shape.points, same)}
          stroke={stroke}
          strokeWidth={width}
          strokeDasharray={dash}
          strokeLinecap="round"
          fill="none"
        />
      );
    }
    case 'ellipse': {
      const { fill, opacity, stroke, width } = PLAN_LOOK[shape.role];
      return (
        <Ellipse
          cx={shape.centre.x}
          cy={shape.centre.y}
          rx={shape.rx}
          ry={shape.ry}
          fill={fill}
          fillOpacity={opacity}
          stroke={stroke}
          strokeWidth={width}
        />
      );
    }
    case 'pin':
      return <PinMark kind={shape.pin} x={shape.at.x} y={shape.at.y} />;
    case 'badge':
      return (
        <G>
          <Circle cx={shape.at.x} cy={shape.at.y} r={11} fill="var(--plan-asked)" />
          <Text
            x={shape.at.x}
            y={shape.at.y + 5}
            textAnchor="middle"
            fontSize={TEXT_PX}
            fontFamily={BOLD}
            fill="#FFFFFF"
          >
            {shape.text}
          </Text>
        </G>
      );
    case 'text':
      return (
        <Text
          x={shape.at.x}
          y={shape.at.y}
          textAnchor="middle"
          fontSize={TEXT_PX}
          fontFamily={shape.bold ? BOLD : BODY}
          fill={PLAN_TEXT[shape.role]}
        >
          {shape.text}
        </Text>
      );
    case 'scale': {
      const { x, y } = shape.from;
      return (
        <G>
          <Rect
            x={x - 5}
            y={y - 19}
            width={shape.length + 10}
            height={24}
            rx={5}
            fill="var(--plan-disc)"
            fillOpacity={0.85}
          />
          <Path
            d={`M${x} ${y - 5}V${y}H${x + shape.length}V${y - 5}`}
            stroke="var(--plan-handle-ink)"
            strokeWidth={2}
            fill="none"
          />
          <Text x={x + 4} y={y - 5} fontSize={12} fontFamily={BODY} fill="var(--plan-handle-ink)">
            {shape.text}
          </Text>
        </G>
      );
    }
    case 'north':
      return (
        <G x={shape.at.x} y={shape.at.y} rotation={shape.degrees}>
          <Line y1={14} y2={-12} stroke="var(--plan-edge)" strokeWidth={2} />
          <Path d="M0-15L5-5H-5z" fill="var(--plan-edge)" />
          <Text y={26} textAnchor="middle" fontSize={12} fontFamily={BOLD} fill="var(--plan-edge)">
            N
          </Text>
        </G>
      );
  }
}

/** A pin on its disc. */
export function PinMark({ kind, x, y }: { kind: string; x: number; y: number }) {
  const { ink, path, filled } = pinGlyph(kind);
  const dye = PIN_INK[ink];
  return (
    <G x={x} y={y}>
      <Circle r={PIN_PX} fill="var(--plan-disc)" stroke={dye} strokeWidth={2.5} />
      <Path
        d={path}
        stroke={filled ? undefined : dye}
        strokeWidth={2}
        fill={filled ? dye : 'none'}
      />
    </G>
  );
}
