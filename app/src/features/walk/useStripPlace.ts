import { useWindowDimensions } from 'react-native';
import { useWide } from '@/ui';

/** From this width on, or on so low a window, the causes stand beside the signs and not under them. */
const ASIDE_FROM_PX = 700;
const LOW_PX = 500;

/** Where the strip of causes stands, and whether there is room for the plan beside it. */
export function useStripPlace(): { aside: boolean; roomy: boolean } {
  const { width, height } = useWindowDimensions();
  const roomy = useWide();
  return { aside: width >= ASIDE_FROM_PX || height < LOW_PX, roomy: roomy && height >= LOW_PX };
}
