import { drawings } from './drawings';
import { LineDrawing } from './LineDrawing';

/** The drawing of one state of a character. */
export function StateDrawing({
  character,
  state,
  size = 56,
}: {
  character: string;
  state: string;
  size?: number;
}) {
  const paths = drawings[character]?.[state];
  return paths ? <LineDrawing paths={paths} size={size} /> : null;
}
