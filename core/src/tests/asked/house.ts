import fc from 'fast-check';
import type { JobInput } from '../../job';

export type BlockInput = JobInput['blocks'][number];
export type SideInput = BlockInput['sides'][number];
export type EaveInput = Extract<SideInput, { roof: 'eave' }>;
export type Point = [number, number];

/** What a feature has to know of the house it is asked for on: its main part stands on [0, along] × [0, across]. */
export interface House {
  readonly input: JobInput;
  readonly alongMm: number;
  readonly acrossMm: number;
  /** Rise over run of its eaves. */
  readonly m: number;
  /** East and west. */
  readonly ends: readonly [End, End];
}

export type End = 'hip' | 'gable';

/** The slope on which features meet. */
export const SLOPE = 0;

export const runMm = ({ acrossMm }: House): number => acrossMm / 2;

/** How far in from a house's ends its slope is whole up to that plan distance from the eave. mm */
export const wholeBetween = (
  { alongMm, ends: [east, west] }: House,
  upMm: number,
): readonly [number, number] => [west === 'hip' ? upMm : 0, alongMm - (east === 'hip' ? upMm : 0)];

/** A share of what lies between two figures, to the millimetre. */
export const between = (from: number, to: number, share: number): number =>
  Math.round(from + share * (to - from));

/** Any share, in steps that a person can read. */
export const share = fc.integer({ min: 0, max: 100 }).map((percent) => percent / 100);

export const withMain = (house: House, change: (main: BlockInput) => BlockInput): House => {
  const [main, ...rest] = house.input.blocks;
  if (main === undefined) return house;
  return { ...house, input: { ...house.input, blocks: [change(main), ...rest] } };
};

export const withSides = (
  house: House,
  change: (side: SideInput, index: number) => SideInput,
): House => withMain(house, (main) => ({ ...main, sides: main.sides.map(change) }));

export const withInput = (house: House, more: Partial<JobInput>): House => ({
  ...house,
  input: { ...house.input, ...more },
});

export const withTimber = (house: House, timber: Partial<JobInput['timber']>): House =>
  withInput(house, { timber: { ...house.input.timber, ...timber } });

export const withFraming = (house: House, framing: Partial<JobInput['framing']>): House =>
  withInput(house, { framing: { ...house.input.framing, ...framing } });

/** A plain house of the ends wanted: what a framer measures first, before anything is asked for beyond it. */
export const plainHouse = (ends: readonly [End, End]): fc.Arbitrary<House> =>
  fc
    .record({
      along: fc.integer({ min: 90, max: 110 }),
      across: fc.integer({ min: 54, max: 68 }),
      rise: fc.integer({ min: 5, max: 14 }),
      overhang: fc.constantFrom(0, 300, 450),
      rake: fc.constantFrom(0, 250),
      spacing: fc.constantFrom(800, 900),
      layout: fc.constantFrom('ridge' as const, 'corner' as const),
      seat: fc.constantFrom({ depthFraction: 0.25 }, { depthFraction: 0.33 }),
      tail: fc.constantFrom('plumb' as const, 'square' as const),
      hipTop: fc.constantFrom('drop' as const, 'back' as const),
      hipAtRidge: fc.constantFrom('to-commons' as const, 'to-ridge' as const),
      common: fc.constantFrom({ thickness: 38, depth: 184 }, { thickness: 47, depth: 220 }),
      line: fc.constantFrom({ thickness: 38, depth: 235 }, { thickness: 63, depth: 300 }),
      fascia: fc.boolean(),
    })
    .map(({ along, across, rise, overhang, rake, common, line, fascia, ...framing }): House => {
      const [alongMm, acrossMm] = [along * 100, across * 100];
      const eave: SideInput = { roof: 'eave', pitch: `${rise}/12`, overhang };
      const end = (of: End): SideInput => (of === 'hip' ? eave : { roof: 'gable', overhang: rake });
      // A fascia set square on a short overhang would lean back into the plate.
      const slope = Math.atan(rise / 12);
      const fits = framing.tail === 'plumb' || 184 * Math.sin(slope) <= overhang;
      return {
        alongMm,
        acrossMm,
        m: rise / 12,
        ends,
        input: {
          format: 'ogee-job',
          version: 1,
          name: 'house',
          timber: {
            common,
            hip: line,
            valley: line,
            ridge: line,
            ...(fascia && fits && { fascia: { thickness: 19, depth: 184 } }),
            plateWidth: 140,
          },
          framing,
          blocks: [
            {
              id: 'main',
              outline: [
                [0, 0],
                [alongMm, 0],
                [alongMm, acrossMm],
                [0, acrossMm],
              ],
              sides: [eave, end(ends[0]), eave, end(ends[1])],
            },
          ],
        },
      };
    });
