import fc from 'fast-check';
import type { JobInput } from '../job';
import { buildingInput } from './building';

/** How far a corner stands off its place. mm */
const off = fc.integer({ min: -150, max: 150 });
const corner = fc.tuple(off, off);
/** A house is so much out, or by a hair. */
const corners = fc
  .tuple(fc.tuple(corner, corner, corner, corner), fc.constantFrom(1, 0.06))
  .map(([all, share]) => all.map(([x, y]): readonly [number, number] => [x * share, y * share]));
type End = 'eave' | 'gable';
export type Corners = readonly (readonly [number, number])[];

const BARGE = { thickness: 38, depth: 184 };
const SMALL = { thickness: 38, depth: 89 };

/** A house out of square, and what hangs on its gables. */
export interface HouseOut {
  readonly ends: readonly [End, End];
  readonly pitch: string;
  readonly corners: Corners;
  readonly lookouts: 'butted' | 'laid-in' | null;
  readonly studs: 'flat' | 'notched' | null;
  readonly collars: boolean;
}

export const houseOut = ({
  ends,
  pitch,
  corners,
  lookouts,
  studs,
  collars,
}: HouseOut): JobInput => {
  const input = buildingInput({
    along: 9000,
    across: 6000,
    pitch,
    ends,
    framing: {
      ...(lookouts !== null && { lookouts }),
      ...(studs !== null && { gableStuds: studs }),
    },
    timber: {
      ...(lookouts !== null && { barge: BARGE, lookout: SMALL }),
      ...(studs !== null && { gableStud: SMALL }),
      ...(collars && { collarTie: SMALL }),
    },
  });
  const [block] = input.blocks;
  const outline = block!.outline.map(([x, y], i): [number, number] => [
    (x as number) + (corners[i]?.[0] ?? 0),
    (y as number) + (corners[i]?.[1] ?? 0),
  ]);
  const sides = block!.sides.map((side) =>
    side.roof === 'gable' ? { ...side, overhang: 300 } : side,
  );
  return { ...input, blocks: [{ ...block!, outline, sides }] };
};

/** Any of them, its corners up to 150 mm off. */
export const anyHouseOut: fc.Arbitrary<HouseOut> = fc.record({
  ends: fc.constantFrom<readonly [End, End]>(
    ['gable', 'gable'],
    ['gable', 'eave'],
    ['eave', 'gable'],
    ['eave', 'eave'],
  ),
  pitch: fc.constantFrom('4/12', '27.5°', '9/12', '12/12'),
  corners,
  lookouts: fc.constantFrom('butted' as const, 'laid-in' as const, null),
  studs: fc.constantFrom('flat' as const, 'notched' as const, null),
  collars: fc.boolean(),
});
