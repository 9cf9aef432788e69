import type { Job } from '@ogee/core/src/job';
import { Entry, type Reading } from './entry';
import { lengthKeys, readLengthEntry, writeLength } from './length-entry';

type Display = Job['display'];

interface LooseProps {
  readonly label: string;
  /** Null while nothing stands in it. */
  readonly value: number | null;
  readonly onValue: (value: number | null) => void;
  readonly help?: string;
  readonly placeholder?: string;
  readonly testID?: string;
}

/** A reading of a field in which nothing may stand. */
const orNothing =
  (read: (text: string) => Reading<number>) =>
  (text: string): Reading<number | null> =>
    text.trim() === '' ? { ok: true, value: null, echo: 'nothing yet', written: '' } : read(text);

const ignore = (): void => undefined;

/** A length that is no part of a job: of a sum, of a look at a gap, of a measurement. May be less than 0. mm */
export const LooseLength = ({
  display,
  size = 'building',
  value,
  ...rest
}: LooseProps & {
  readonly display: Display;
  /** Building sizes take a bare number as feet; timber sizes as inches. Metric takes it as millimetres. */
  readonly size?: 'building' | 'timber';
}) => (
  <Entry<number | null>
    {...rest}
    written={value === null ? '' : writeLength(value, display)}
    read={orNothing(
      readLengthEntry(
        display,
        display.units === 'imperial' ? (size === 'building' ? 'ft' : 'in') : 'mm',
      ),
    )}
    onFault={ignore}
    keys={lengthKeys(display)}
    takes="length"
  />
);

/** Degrees between two bounds, that are no part of a job. */
export const LooseAngle = ({
  least = 0,
  most = 90,
  value,
  ...rest
}: LooseProps & { readonly least?: number; readonly most?: number }) => (
  <Entry<number | null>
    {...rest}
    written={value === null ? '' : `${Number(value.toFixed(3))}°`}
    read={orNothing((text) => {
      const deg = Number(text.trim().replace(/°$/, '').replace(',', '.').replace('−', '-'));
      return deg >= least && deg <= most
        ? { ok: true, value: deg, echo: `${deg}°`, written: `${deg}°` }
        : { ok: false, text: `accepted is ${least}° to ${most}°` };
    })}
    onFault={ignore}
    keys={['.', '°', '−']}
    takes="angle"
  />
);
