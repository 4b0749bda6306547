import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { drawings } from './drawings';

/** The drawing of one state of a character; nothing where it is told by words alone. */
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
  if (!paths) return null;
  return (
    <View aria-hidden className="rounded-lg bg-[#FBF8F1]" style={{ width: size, height: size }}>
      <Svg width={size} height={size} viewBox="0 0 64 64">
        {paths.map((path) =>
          path.startsWith('!') ? (
            <Path key={path} d={path.slice(1)} fill="#8E2F22" stroke="#8E2F22" strokeWidth={1.5} />
          ) : (
            <Path
              key={path}
              d={path}
              fill="none"
              stroke="#241C15"
              strokeWidth={2.6}
              strokeLinecap="round"
              strokeLinejoin="round"
            />
          ),
        )}
      </Svg>
    </View>
  );
}
