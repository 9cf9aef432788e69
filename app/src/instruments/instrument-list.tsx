import { useState } from 'react';
import { View } from 'react-native';
import { Choice } from '../ui/choice';
import { Fold } from '../ui/fold';
import { Small } from '../ui/text';
import { connect, INSTRUMENTS, useConnected } from './connected';

/** What measures for this window: connected here, asked by the key beside a field's others. */
export const InstrumentList = () => {
  const connected = useConnected();
  const [open, setOpen] = useState(false);
  return (
    <Fold
      title="Instruments"
      level={2}
      what={
        connected.length === 0
          ? 'a laser or a level that fills the field in hand'
          : connected.map(({ name }) => name).join(', ')
      }
      open={open}
      onOpen={setOpen}
      testID="instruments"
    >
      <View className="gap-3 pb-3">
        <Small>
          Connected, it has a key under the field that is in hand. What it read is kept with where
          it came from. These two are stand-ins that read what is planned, a little off.
        </Small>
        {INSTRUMENTS.map((one) => (
          <View key={one.id} testID={`instrument-${one.id}`}>
            <Choice
              label={one.name}
              value={connected.includes(one) ? 'on' : 'off'}
              options={[
                { value: 'off', label: 'Off' },
                { value: 'on', label: 'Connected' },
              ]}
              onChange={(way) => connect(one, way === 'on')}
            />
          </View>
        ))}
      </View>
    </Fold>
  );
};
