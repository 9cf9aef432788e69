import { newJob, type Job } from '@ogee/core/src/job';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { TextInput, View } from 'react-native';
import { useJobChanges } from '../data/jobs';
import { Button } from '../ui/button';
import { Choice } from '../ui/choice';
import { Entry } from '../ui/entry';
import {
  lengthKeys,
  PITCH_KEYS,
  readLengthEntry,
  readPitchEntry,
  writeLength,
} from '../ui/length-entry';
import { Small, Strong } from '../ui/text';

type Units = Job['display']['units'];

const START: Readonly<Record<Units, { along: number; across: number; pitch: string }>> = {
  imperial: { along: 9144, across: 6096, pitch: '8/12' },
  metric: { along: 9000, across: 6000, pitch: '35°' },
};

/** A name, two measurements and a pitch: enough for a roof. */
export const NewJobForm = ({ onCancel }: { onCancel: () => void }) => {
  const router = useRouter();
  const { create } = useJobChanges();
  const [name, setName] = useState('');
  const [units, setUnits] = useState<Units>('imperial');
  const [typed, setTyped] = useState<Partial<(typeof START)[Units]>>({});
  const [faults, setFaults] = useState<Readonly<Record<string, boolean>>>({});
  const { along, across, pitch } = { ...START[units], ...typed };
  const display: Job['display'] = {
    units,
    fraction: 16,
    pitch: units === 'imperial' ? 'in12' : 'degrees',
    terms: units === 'imperial' ? 'us' : 'uk',
  };
  const fault = (field: string) => (is: boolean) => setFaults((now) => ({ ...now, [field]: is }));
  const ready = name.trim() !== '' && !Object.values(faults).includes(true) && !create.isPending;
  const length = (field: 'along' | 'across', label: string, value: number) => (
    <Entry
      key={`${field}${units}`}
      label={label}
      written={writeLength(value, display)}
      read={readLengthEntry(display, units === 'imperial' ? 'ft' : 'mm')}
      onValue={(mm) => setTyped((now) => ({ ...now, [field]: mm }))}
      onFault={fault(field)}
      keys={lengthKeys(display)}
      testID={`new-${field}`}
    />
  );
  const start = (): void =>
    create.mutate(
      { job: newJob(name.trim(), display, along, across, pitch), said: 'New job' },
      { onSuccess: (id) => router.navigate(`/job/${id}/cuts`) },
    );
  return (
    <View className="gap-4 rounded border border-edge bg-sheet p-4" testID="new-job-form">
      <View className="gap-1">
        <Strong nativeID="new-name">Name of the job</Strong>
        <TextInput
          value={name}
          onChangeText={setName}
          autoFocus
          maxLength={120}
          aria-labelledby="new-name"
          testID="new-name-field"
          className="h-12 rounded border border-edge bg-sheet px-3 font-words text-lg text-ink"
        />
      </View>
      <Choice
        label="Units"
        value={units}
        options={[
          { value: 'imperial', label: 'Feet and inches' },
          { value: 'metric', label: 'Millimetres' },
        ]}
        onChange={(next) => {
          setUnits(next);
          setTyped({});
        }}
      />
      {length('along', 'Plates, along', along)}
      {length('across', 'Plates, across', across)}
      <Entry
        key={`pitch${units}`}
        label="Pitch"
        written={pitch}
        read={readPitchEntry(display.pitch)}
        onValue={(value) => setTyped((now) => ({ ...now, pitch: value }))}
        onFault={fault('pitch')}
        keys={PITCH_KEYS}
        testID="new-pitch"
      />
      <Small>Hips all round to begin with. Gables, timber and the rest are set in the job.</Small>
      {create.isError && (
        <Small className="text-pencil" role="alert">
          Not kept: {create.error.message}. What you typed is still here.
        </Small>
      )}
      <View className="flex-row gap-2">
        <Button
          label="Work it out"
          look="filled"
          disabled={!ready}
          onPress={start}
          testID="new-create"
        />
        <Button label="Cancel" onPress={onCancel} />
      </View>
    </View>
  );
};
