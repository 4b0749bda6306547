import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';

const TOOTH = 20;
const HEIGHT = 10;

/** The woven edge at the top of a screen: our one ornament. */
export function Selvedge({ dye = 'madder' }: { dye?: 'madder' | 'indigo' }) {
  const [width, setWidth] = useState(390);
  const teeth = Math.ceil(width / TOOTH);
  const row = (base: number, tip: number, inset: number) =>
    Array.from({ length: teeth }, (_, i) => {
      const x = i * TOOTH;
      return `M${x + inset} ${base}L${x + TOOTH / 2} ${tip}L${x + TOOTH - inset} ${base}Z`;
    }).join('');
  return (
    <View
      aria-hidden
      className="h-[10px] w-full overflow-hidden"
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
    >
      <Svg width={width} height={HEIGHT}>
        <Path d={row(HEIGHT, 0, 0)} fill={dye === 'madder' ? '#8E2F22' : '#3A6299'} />
        <Path d={row(HEIGHT, 5, 5)} fill="#D9A21B" />
      </Svg>
    </View>
  );
}
