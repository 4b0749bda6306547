import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';

const INK = '#241C15';
const RED = '#8E2F22';

/**
 * A line drawing on paper in every theme, on a field of 64 × 64. A path that begins with `!` is filled in
 * the mark's red, one that begins with a colour such as `#C9B14A ` in it.
 */
export function LineDrawing({ paths, size }: { paths: readonly string[]; size: number }) {
  return (
    <View aria-hidden className="rounded-lg bg-[#FBF8F1]" style={{ width: size, height: size }}>
      <Svg width={size} height={size} viewBox="0 0 64 64">
        {paths.map((path) => {
          const [, colour, d] = /^(?:!|(#[0-9A-F]{6}) )(.*)$/.exec(path) ?? [];
          return d ? (
            <Path
              key={path}
              d={d}
              fill={colour ?? RED}
              stroke={colour ? INK : RED}
              strokeWidth={1.5}
              strokeLinejoin="round"
            />
          ) : (
            <Path
              key={path}
              d={path}
              fill="none"
              stroke={INK}
              strokeWidth={2.6}
              strokeLinecap="round"
              strokeLinejoin="round"
            />
          );
        })}
      </Svg>
    </View>
  );
}
