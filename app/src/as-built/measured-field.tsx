import type { Off } from '@ogee/core/src/as-built';
import type { Job } from '@ogee/core/src/job';
import type { Source } from '@ogee/core/src/log';
import { useRef } from 'react';
import { View } from 'react-native';
import { Entry, type Hand } from '../form/entry';
import { lengthKeys, readLengthEntry, writeLength, writeTenth } from '../ui/length-entry';
import { Figure, Small } from '../ui/text';
import { signed } from './off';

interface MeasuredFieldProps {
  readonly label: string;
  readonly off: Off;
  readonly display: Job['display'];
  readonly size?: 'building' | 'timber';
  readonly toleranceMm: number;
  readonly help?: string;
  /** What was measured, once the field is left. mm */
  readonly onMeasured: (mm: number, source: Source) => void;
}

/** Something that stands, measured: what was planned is beside it, and how far it is off. */
export const MeasuredField = ({
  label,
  off: { path, planned, measured, off },
  display,
  size = 'building',
  toleranceMm,
  help,
  onMeasured,
}: MeasuredFieldProps) => {
  const typed = useRef<number | null>(null);
  const imperial = display.units === 'imperial';
  const hand: Hand = {
    takeUp: () => {
      typed.current = null;
    },
    withdraw: () => {
      typed.current = null;
    },
    leave: (_said, taken) => {
      if (typed.current !== null) onMeasured(typed.current, taken?.source ?? 'typed');
      typed.current = null;
      return true;
    },
    putBack: () => {
      typed.current = null;
    },
    typedBefore: undefined,
    keepTyped: () => undefined,
  };
  const bad = off !== null && Math.abs(off) > toleranceMm;
  return (
    <View className="gap-1">
      <Entry
        label={label}
        written={measured === null ? '' : writeLength(measured, display)}
        read={readLengthEntry(display, imperial ? (size === 'building' ? 'ft' : 'in') : 'mm')}
        onValue={(mm) => {
          typed.current = mm;
        }}
        onFault={() => undefined}
        hand={hand}
        keys={lengthKeys(display)}
        takes="length"
        near={planned}
        placeholder="not measured"
        testID={`measured-${path}`}
      />
      <View className="flex-row flex-wrap items-baseline justify-between gap-x-3">
        <Small>
          planned {writeTenth(planned, display)}
          {help === undefined ? '' : `; ${help}`}
        </Small>
        {off !== null && (
          <Figure className={bad ? 'text-pencil' : ''} testID={`off-${path}`}>
            {Math.abs(off) < 0.05 ? 'as planned' : `${signed(off, display)}${bad ? ' !' : ''}`}
          </Figure>
        )}
      </View>
    </View>
  );
};
