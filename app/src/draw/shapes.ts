import { memo } from 'react';
import * as svg from 'react-native-svg';
import { alike } from './alike';

/** Shapes of a drawing. One that stands as it did is not drawn anew: a key pressed moves few of them. */
export const Circle = memo(svg.Circle, alike);
export const Line = memo(svg.Line, alike);
export const Path = memo(svg.Path, alike);
export const Polygon = memo(svg.Polygon, alike);
