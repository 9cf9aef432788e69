import type { OnWall } from '@ogee/core/src/job';
import { LengthField } from '../form/fields';

export const RUNS_PAST =
  'It runs past the wall’s end: distance and width together are more than the wall.';

/** A part on a wall as a framer measures it: its width, its projection, its distance from a corner. */
export const OnWallFields = ({
  path,
  on,
  wall,
  onChange,
}: {
  readonly path: string;
  readonly on: OnWall;
  /** Number of the wall it stands on, from 1. */
  readonly wall: number;
  readonly onChange: (change: Partial<OnWall>) => void;
}) => (
  <>
    <LengthField
      label="Width, along the wall"
      path={`${path}.width`}
      value={on.width}
      onValue={(width) => onChange({ width })}
    />
    <LengthField
      label="Projection, out from the wall"
      path={`${path}.projection`}
      value={on.projection}
      onValue={(projection) => onChange({ projection })}
    />
    <LengthField
      label={`From the corner where wall ${wall} starts`}
      path={`${path}.fromCorner`}
      value={on.fromCorner}
      onValue={(fromCorner) => onChange({ fromCorner })}
    />
  </>
);

/** A part that ends this near the wall's end ends with it. mm */
const AT_END_MM = 1;

export const fitsOn = ({ fromCorner, width }: OnWall, lengthMm: number): boolean =>
  fromCorner >= 0 && fromCorner + width <= lengthMm + AT_END_MM;
