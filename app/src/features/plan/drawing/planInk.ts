import type { PlanRole, PlanTextRole } from '@alfombra/core/drawing';
import './planDyes';

interface Look {
  fill?: string;
  opacity?: number;
  stroke?: string;
  width?: number;
  dash?: string;
}

/** How each thing of a plan looks; the dyes stand in `planDyes.ts`. */
export const PLAN_LOOK: Readonly<Record<PlanRole, Look>> = {
  turf: { fill: 'url(#mown-lit)' },
  'turf-beside': { fill: 'url(#mown-pale)' },
  house: { fill: 'var(--plan-house)', stroke: 'var(--plan-edge)', width: 2 },
  hard: { fill: 'var(--plan-hard)' },
  bed: { fill: 'var(--plan-bed)' },
  water: { fill: 'var(--plan-water)' },
  edge: { stroke: 'var(--plan-edge)', width: 1.5 },
  'edge-assumed': { stroke: 'var(--plan-assumed)', width: 2.5, dash: '6 4' },
  'edge-asked': { stroke: 'var(--plan-asked)', width: 5 },
  weed: { fill: 'var(--plan-weed)', opacity: 0.45, stroke: 'var(--plan-weed)', width: 2 },
  damage: { fill: 'var(--plan-damage)', stroke: 'var(--plan-ring)', width: 2 },
  'damage-beside': { fill: 'var(--plan-damage-pale)', stroke: 'var(--plan-ring)', width: 2 },
  'line-hard': { stroke: 'var(--plan-edge)', width: 4 },
  'line-traffic': { stroke: 'var(--plan-weed)', width: 3, dash: '2 6' },
  'line-mow': { stroke: 'var(--plan-line)', width: 3, dash: '10 5' },
  'line-fence': { stroke: 'var(--plan-edge)', width: 2.5, dash: '1 4' },
  sheet: { stroke: 'var(--plan-edge)', width: 2 },
};

export const PLAN_TEXT: Readonly<Record<PlanTextRole, string>> = {
  'on-turf': 'var(--plan-on-turf)',
  'on-turf-beside': 'var(--plan-on-pale)',
  'on-ground': 'var(--plan-edge)',
  'on-damage': 'var(--plan-on-damage)',
};
export const PIN_INK = {
  wet: 'var(--plan-wet)',
  dry: 'var(--plan-dry)',
  mark: 'var(--plan-edge)',
  warn: 'var(--plan-warn)',
} as const;
