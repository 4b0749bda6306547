import { useWindowDimensions } from 'react-native';

/** Width from which panes stand side by side. */
export const WIDE = 1024;

/** True when the window has room for panes side by side. */
export const useWide = (): boolean => useWindowDimensions().width >= WIDE;
