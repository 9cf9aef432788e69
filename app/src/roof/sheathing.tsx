import type { SheetDrawing } from '@ogee/core/src/drawing';
import { sheetOf } from '@ogee/core/src/sheathing';
import type { Job } from '@ogee/core/src/job';
import { formatDegrees, formatLength, lengthFormat } from '@ogee/core/src/units';
import { useState } from 'react';
import { View } from 'react-native';
import { useDisplay, useHandling, useJob } from '../data/open-job';
import { useOfRoof, useRoof } from '../data/roof';
import { SheetsDrawing } from '../draw/sheets';
import { Stepped } from '../ui/stepped';
import { Fold } from '../ui/fold';
import { LengthField } from '../form/fields';
import { RoofingOnSlope } from './roofing';
import { Figure, Small, Strong, Title, Words } from '../ui/text';

/** Square feet to a square metre. */
const SQUARE_FEET = 10.7639;

const areaText = (mm2: number, { units }: Job['display']): string =>
  units === 'imperial'
    ? `${Math.round((mm2 / 1e6) * SQUARE_FEET)} sq ft`
    : `${(mm2 / 1e6).toFixed(1)} m²`;

const sheetsText = (count: number): string => `${count} ${count === 1 ? 'sheet' : 'sheets'}`;

/** One sheet of a slope, stepped through: its size, and where the rafters' centres are marked on it before it goes up. */
const OneSheet = ({
  slope,
  at,
  onAt,
}: {
  readonly slope: SheetDrawing;
  /** Its number among the slope's; null where another slope's is looked at. */
  readonly at: number | null;
  readonly onAt: (at: number) => void;
}) => {
  const display = useDisplay();
  const text = (mm: number): string => formatLength(mm, lengthFormat(display));
  const number = at ?? 0;
  const sheet = slope.sheets[number];
  if (sheet === undefined) return null;
  const marks = slope.marks[number] ?? [];
  const last = slope.sheets.length - 1;
  return (
    <Stepped what="sheet" at={number} last={last} onAt={onAt}>
      <Strong>
        Sheet {number + 1} of {last + 1}: {text(sheet.u[1] - sheet.u[0])} ×{' '}
        {text(sheet.v[1] - sheet.v[0])}
      </Strong>
      <Small>
        {marks.length === 0
          ? 'No rafter runs straight up under it.'
          : `Rafter ‹centres› from its left edge: ${marks.map(text).join(', ')}`}
      </Small>
    </Stepped>
  );
};

/** The slopes one by one, each with its sheets drawn. */
const Slopes = () => {
  const display = useDisplay();
  const slopes = useOfRoof(['sheets'], (solver, roof) => solver.sheets(roof))?.answer ?? [];
  const text = (mm: number): string => formatLength(mm, lengthFormat(display));
  const [of, setOf] = useState(0);
  const [sheet, setSheet] = useState(0);
  return (
    <View className="gap-4 pb-2">
      <Small>Eave below. Pale: sawn from a sheet of its own. Blue: from what another left.</Small>
      {slopes.map((slope, i) => {
        const name = `${slope.block}, wall ${slope.side + 1}`;
        const edges = [
          ...new Set(
            slope.edges.map(
              ({ line, angle, tilt }) =>
                `At the ‹${line}›: ${formatDegrees(angle)} from the eave’s line, saw tilt ${formatDegrees(tilt)}`,
            ),
          ),
        ];
        return (
          <View key={i} className="gap-1" testID={`sheets-${slope.block}-${slope.side}`}>
            <View className="flex-row flex-wrap items-baseline justify-between gap-2">
              <Strong>{name}</Strong>
              <Figure className="text-lg">{sheetsText(slope.bought)}</Figure>
            </View>
            <SheetsDrawing
              slope={slope}
              chosen={of === i ? sheet : null}
              words={`${name} laid flat: ${sheetsText(slope.bought)} in ${slope.rows} rows, the last ripped to ${text(slope.lastRow)}`}
            />
            <Small>
              {slope.rows} rows; the last ripped to {text(slope.lastRow)}
            </Small>
            <OneSheet
              slope={slope}
              at={of === i ? sheet : null}
              onAt={(next) => {
                setOf(i);
                setSheet(next);
              }}
            />
            <RoofingOnSlope slope={slope} />
            {edges.map((said) => (
              <Small key={said} asked>
                {said}
              </Small>
            ))}
          </View>
        );
      })}
    </View>
  );
};

/** What covers the rafters: sheets, slope by slope. */
export const SheathingFields = () => {
  const job = useJob();
  const { edit } = useHandling();
  const { roof } = useRoof();
  const [open, setOpen] = useState(false);
  const [length, width] = sheetOf(job);
  const set = (sheet: [number, number]) =>
    edit((now) => ({ ...now, sheathing: { ...now.sheathing, sheet } }));
  const sheathing = roof?.cuts.sheathing;
  const all = sheathing?.slopes.reduce((sum, { sheets }) => sum + sheets, 0) ?? 0;
  return (
    <View className="gap-2">
      <Title>Sheathing</Title>
      <View className="flex-row gap-3">
        <View className="flex-1">
          <LengthField
            label="Sheet, along the ‹eave›"
            path="sheathing.sheet.0"
            value={length}
            onValue={(mm) => set([mm, width])}
          />
        </View>
        <View className="flex-1">
          <LengthField
            label="Sheet, up the slope"
            path="sheathing.sheet.1"
            value={width}
            onValue={(mm) => set([length, mm])}
          />
        </View>
      </View>
      {sheathing !== undefined && (
        <View
          className="flex-row flex-wrap items-baseline justify-between gap-2"
          testID="sheathing"
        >
          <Words>{areaText(sheathing.area, job.display)} along the slopes</Words>
          <Figure className="text-2xl">{sheetsText(all)}</Figure>
        </View>
      )}
      <Small asked>
        From the tails up, joints staggered by half a sheet, offcuts used where they fit. Leave the
        gaps that the sheets want; run them wild over a gable and snap the line.
      </Small>
      <Fold
        title="Sheets, slope by slope"
        what="where each lies, the last row’s rip, the angles at hips and valleys"
        open={open}
        onOpen={setOpen}
        testID="sheets"
      >
        {open && <Slopes />}
      </Fold>
    </View>
  );
};
