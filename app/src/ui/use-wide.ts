import { useWindowDimensions } from 'react-native';

const WIDE_PX = 1000;

/** Room for list, drawing and sheet side by side. */
export const useWide = (): boolean => useWindowDimensions().width >= WIDE_PX;
