import { View } from 'react-native';

const DYE = { madder: '#8E2F22', indigo: '#3A6299' } as const;

/** Two teeth of the edge, as a picture that repeats: the page at the door has no other drawing. */
const teeth = (dye: string) =>
  `url("data:image/svg+xml,${encodeURIComponent(
    `<svg xmlns="http://www.w3.org/2000/svg" width="20" height="10"><path d="M0 10L10 0L20 10Z" fill="${dye}"/><path d="M5 10L10 5L15 10Z" fill="#D9A21B"/></svg>`,
  )}")`;

/** The woven edge at the top of a screen: our one ornament. */
export function Selvedge({ dye = 'madder' }: { dye?: keyof typeof DYE }) {
  return (
    <View
      aria-hidden
      className="h-[10px] w-full"
      style={{ backgroundImage: teeth(DYE[dye]), backgroundRepeat: 'repeat-x' } as object}
    />
  );
}
