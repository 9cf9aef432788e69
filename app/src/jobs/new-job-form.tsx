import { newJob, type Job, type NewShape } from '@ogee/core/src/job';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useJobChanges, useLastOwnJob } from '../data/jobs';
import { Button } from '../ui/button';
import { Choice } from '../ui/choice';
import { Entry } from '../form/entry';
import {
  lengthKeys,
  PITCH_KEYS,
  readLengthEntry,
  readPitchEntry,
  writeLength,
  writeStock,
} from '../ui/length-entry';
import { Small, Strong } from '../ui/text';
import { WordsField } from '../ui/words-field';

type Units = Job['display']['units'];

const START: Readonly<Record<Units, { along: number; across: number; pitch: string }>> = {
  imperial: { along: 9144, across: 6096, pitch: '8/12' },
  metric: { along: 9000, across: 6000, pitch: '35°' },
};

/** What is set up, or a house that stands and is measured wall by wall. */
type Shape = NewShape | 'measured';

const SHAPES: readonly { readonly value: Shape; readonly label: string }[] = [
  { value: 'hip', label: 'Hip' },
  { value: 'gable', label: 'Gable' },
  { value: 'shed', label: 'One slope over two walls' },
  { value: 'lean-to', label: 'Lean-to' },
  { value: 'measured', label: 'Four measured walls' },
];

const SHAPE_HELP: Readonly<Record<Shape, string>> = {
  hip: 'Eaves all round.',
  gable: 'Eaves along, gables at both ends.',
  shed: 'Rafters from a low wall up over a high one, with an overhang at both.',
  'lean-to': 'One slope, from a wall down to its eave.',
  measured:
    'Walls that may not be square: roughly here, then each wall and a diagonal on the site.',
};

type Timber = 'crew' | 'planed' | 'sawn';

/** The shape, a name, two measurements and a pitch: enough for a roof. */
export const NewJobForm = ({ onCancel }: { onCancel: () => void }) => {
  const router = useRouter();
  const { create } = useJobChanges();
  const [name, setName] = useState('');
  const lastOwn = useLastOwnJob();
  const [shape, setShape] = useState<Shape>('hip');
  const [chosenUnits, setUnits] = useState<Units | null>(null);
  const units = chosenUnits ?? lastOwn?.job.display.units ?? 'imperial';
  const [chosenTimber, setTimber] = useState<Timber | null>(null);
  const crew = lastOwn?.job.display.units === units ? lastOwn : null;
  const timber = chosenTimber ?? (crew === null ? 'planed' : 'crew');
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
      {
        job: newJob(name.trim(), display, along, across, pitch, {
          shape: shape === 'measured' ? 'hip' : shape,
          timber: timber === 'crew' ? (crew?.job.timber ?? 'planed') : timber,
        }),
        said: 'New job',
      },
      {
        onSuccess: (id) =>
          router.navigate(shape === 'measured' ? `/job/${id}/site?way=sides` : `/job/${id}/cuts`),
      },
    );
  return (
    <View className="gap-4 rounded border border-edge bg-sheet p-4" testID="new-job-form">
      <Choice
        label="Shape"
        value={shape}
        options={SHAPES}
        onChange={setShape}
        help={SHAPE_HELP[shape]}
      />
      <View className="gap-1">
        <Strong>Name of the job</Strong>
        <WordsField
          value={name}
          onChangeText={setName}
          autoFocus
          maxLength={120}
          aria-label="Name of the job"
          testID="new-name-field"
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
      {length('along', '‹Plates›, along', along)}
      {length('across', '‹Plates›, across', across)}
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
      <Choice
        label="Timber"
        value={timber}
        options={[
          ...(crew === null ? [] : [{ value: 'crew' as const, label: `As in ${crew.name}` }]),
          { value: 'planed', label: 'Planed' },
          { value: 'sawn', label: 'Full-size sawn' },
        ]}
        onChange={setTimber}
        help={`Rafters ${writeStock(
          newJob('', display, along, across, pitch, {
            timber: timber === 'crew' ? (crew?.job.timber ?? 'planed') : timber,
          }).timber.common,
          display,
        )}. A start, not a recommendation: the local code and an engineer size them.`}
      />
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
