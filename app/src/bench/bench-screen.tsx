import type { Job } from '@ogee/core/src/job';
import { useState } from 'react';
import { View } from 'react-native';
import { useLastOwnJob } from '../data/jobs';
import { InstrumentList } from '../instruments/instrument-list';
import { oneOf, useAddressed } from '../nav/addressed';
import { Page } from '../nav/page';
import { Choice } from '../ui/choice';
import { writeLength } from '../ui/length-entry';
import { LooseAngle, LooseLength, LoosePitch } from '../form/loose-fields';
import { Small } from '../ui/text';
import { Result } from './result';
import { SumPad } from './sum-pad';
import { outcomeOf, type Tool, type ToolField } from './tool';
import { TOOLS } from './tools';

type Units = Job['display']['units'];

const SUM = 'sum';

/** What a field is taken for while nothing stands in it. */
const otherwiseText = (
  sort: ToolField['sort'],
  otherwise: number | undefined,
  display: Job['display'],
): string =>
  otherwise === undefined
    ? 'not known'
    : sort === 'length'
      ? writeLength(otherwise, display)
      : `${otherwise}${sort === 'count' ? '' : '°'}`;

const Field = ({
  field: { sort, least = 0, most = 90, ...field },
  value,
  display,
  onValue,
}: {
  readonly field: ToolField;
  readonly value: number | null;
  readonly display: Job['display'];
  readonly onValue: (value: number | null) => void;
}) => {
  const own = {
    label: field.label,
    value,
    onValue,
    placeholder: otherwiseText(sort, field.otherwise, display),
    testID: `bench-${field.id}`,
    ...(field.help === undefined ? {} : { help: field.help }),
  };
  if (sort === 'length') return <LooseLength {...own} display={display} />;
  if (sort === 'pitch') return <LoosePitch {...own} bare={display.pitch} />;
  return <LooseAngle {...own} least={least} most={most} unit={sort === 'count' ? '' : '°'} />;
};

const ToolBench = ({
  tool,
  display,
}: {
  readonly tool: Tool;
  readonly display: Job['display'];
}) => {
  const [values, setValues] = useState<Readonly<Record<string, number>>>({});
  return (
    <View className="gap-4" testID={`tool-${tool.id}`}>
      <Small asked>{tool.what}</Small>
      {tool.fields.map((field) => (
        <Field
          key={field.id}
          field={field}
          value={values[field.id] ?? null}
          display={display}
          onValue={(value) => {
            const { [field.id]: _gone, ...rest } = values;
            setValues(value === null ? rest : { ...rest, [field.id]: value });
          }}
        />
      ))}
      <Result name={tool.name} outcome={outcomeOf(tool, values)} display={display} />
    </View>
  );
};

/** Sums for which no job is wanted. */
export const BenchScreen = () => {
  const lastOwn = useLastOwnJob();
  const [chosen, setUnits] = useAddressed<Units | null>('units', null, oneOf('metric', 'imperial'));
  const units = chosen ?? lastOwn?.job.display.units ?? 'imperial';
  const [id, setId] = useAddressed<string>(
    'sum',
    TOOLS[0]?.id ?? SUM,
    oneOf(...TOOLS.map((tool) => tool.id), SUM),
  );
  const display: Job['display'] = {
    units,
    fraction: 16,
    pitch: units === 'imperial' ? 'in12' : 'degrees',
    terms: units === 'imperial' ? 'us' : 'uk',
  };
  const tool = TOOLS.find((one) => one.id === id);
  return (
    <Page name="Bench">
      <Choice
        label="Units"
        hideLabel
        value={units}
        options={[
          { value: 'imperial', label: 'Feet and inches' },
          { value: 'metric', label: 'Millimetres' },
        ]}
        onChange={setUnits}
      />
      <Choice
        label="Sum"
        hideLabel
        value={id}
        options={[
          ...TOOLS.map((one) => ({ value: one.id, label: one.name })),
          { value: SUM, label: 'Sum pad' },
        ]}
        onChange={setId}
      />
      {tool === undefined ? (
        <SumPad key={units} display={display} />
      ) : (
        <ToolBench key={tool.id} tool={tool} display={display} />
      )}
      <InstrumentList />
    </Page>
  );
};
