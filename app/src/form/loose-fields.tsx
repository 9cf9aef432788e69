import type { Job } from '@ogee/core/src/job';
import { degrees, formatPitch, pitchRad, radians } from '@ogee/core/src/units';
import { Entry } from './entry';
import {
  lengthKeys,
  PITCH_KEYS,
  readLengthEntry,
  readPitchEntry,
  writeLength,
  type Reading,
} from '../ui/length-entry';

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

/** Degrees between two bounds, that are no part of a job; or a number without a unit. */
export const LooseAngle = ({
  least = 0,
  most = 90,
  unit = '°',
  value,
  ...rest
}: LooseProps & {
  readonly least?: number;
  readonly most?: number;
  readonly unit?: '°' | '';
}) => (
  <Entry<number | null>
    {...rest}
    written={value === null ? '' : `${Number(value.toFixed(3))}${unit}`}
    read={orNothing((text) => {
      const found = Number(text.trim().replace(/°$/, '').replace(',', '.').replace('−', '-'));
      return found >= least && found <= most
        ? { ok: true, value: found, echo: `${found}${unit}`, written: `${found}${unit}` }
        : { ok: false, text: `accepted is ${least}${unit} to ${most}${unit}` };
    })}
    onFault={ignore}
    keys={unit === '°' ? ['.', '°', '−'] : []}
    takes={unit === '°' ? 'angle' : undefined}
  />
);

/** A pitch that is no part of a job, in degrees: written as 9/12, 36.9° or 75 %. */
export const LoosePitch = ({
  bare,
  value,
  ...rest
}: LooseProps & {
  /** What a number alone means. */
  readonly bare: Display['pitch'];
}) => (
  <Entry<number | null>
    {...rest}
    written={value === null ? '' : formatPitch(radians(value), bare)}
    read={orNothing((text) => {
      const reading = readPitchEntry(bare)(text);
      return reading.ok ? { ...reading, value: degrees(pitchRad(reading.value)) } : reading;
    })}
    onFault={ignore}
    keys={PITCH_KEYS}
    takes="angle"
  />
);
