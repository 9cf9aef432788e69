import { JOB_VERSION } from './migrations';
import { MADE_WITH } from './migrations/made-with';
import type { Job, Side } from './schema';

/** What the first part is, before its walls are told apart one by one. */
export type NewShape = 'hip' | 'gable' | 'shed' | 'lean-to';

export interface NewJobChoice {
  readonly shape?: NewShape;
  /** Sections as they are sold planed, or sawn to their full size; or those of a job that the crew did before. */
  readonly timber?: 'planed' | 'sawn' | Job['timber'];
}

type StartSide = 'eave' | 'gable' | 'wall' | 'high';

/** Walls 1 to 4. A shed falls to wall 1, over a high wall 3; a lean-to from the wall of the house. */
const SIDES: Readonly<Record<NewShape, readonly StartSide[]>> = {
  hip: ['eave', 'eave', 'eave', 'eave'],
  gable: ['eave', 'gable', 'eave', 'gable'],
  shed: ['eave', 'gable', 'high', 'gable'],
  'lean-to': ['eave', 'gable', 'wall', 'gable'],
};

const sideOf = (roof: StartSide, eave: Extract<Side, { roof: 'eave' }>): Side => {
  switch (roof) {
    case 'eave':
      return eave;
    case 'high':
      return { roof, overhang: eave.overhang };
    case 'gable':
      return { roof, overhang: 0 };
    case 'wall':
      return { roof };
  }
};

/** Rafters, then hips, valleys and the ridge, then fascias: thickness and depth; mm. */
const sections = (
  [common, line, fascia]: readonly (readonly [number, number])[],
  plateWidth: number,
): Job['timber'] => {
  const stock = ([thickness, depth]: readonly [number, number] = [0, 0]) => ({ thickness, depth });
  return {
    common: stock(common),
    hip: stock(line),
    valley: stock(line),
    ridge: stock(line),
    fascia: stock(fascia),
    plateWidth,
    sheathing: 0,
  };
};

const inch = (inches: number): number => Number((inches * 25.4).toFixed(6));
const inInches = (all: readonly (readonly [number, number])[]) =>
  all.map(([thickness, depth]) => [inch(thickness), inch(depth)] as const);

const SIZES = {
  imperial: {
    planed: sections(
      inInches([
        [1.5, 7.25],
        [1.5, 9.25],
        [0.75, 7.25],
      ]),
      inch(5.5),
    ),
    sawn: sections(
      inInches([
        [2, 8],
        [2, 10],
        [1, 8],
      ]),
      inch(6),
    ),
  },
  metric: {
    planed: sections(
      [
        [45, 195],
        [45, 245],
        [22, 195],
      ],
      140,
    ),
    sawn: sections(
      [
        [50, 200],
        [50, 250],
        [25, 200],
      ],
      150,
    ),
  },
} as const;

/**
 * A job to start from: a rectangle of one of a few shapes, its numbers those of a small house in the units asked for.
 * Nothing here is a recommendation of size; the local code and an engineer decide that.
 *
 * @param widthMm the plan's size across the page (x)
 * @param depthMm the plan's size up the page (y)
 */
export const newJob = (
  name: string,
  display: Job['display'],
  widthMm: number,
  depthMm: number,
  pitch: string,
  { shape = 'hip', timber = 'planed' }: NewJobChoice = {},
): Job => {
  const imperial = display.units === 'imperial';
  const eave = { roof: 'eave' as const, pitch, overhang: imperial ? 406.4 : 400 };
  return {
    format: 'ogee-job',
    version: JOB_VERSION,
    madeWith: MADE_WITH,
    name,
    display,
    timber: typeof timber === 'string' ? SIZES[display.units][timber] : timber,
    framing: {
      spacing: imperial ? 406.4 : 600,
      layout: 'ridge',
      seat: { depthFraction: 0.25 },
      tail: 'plumb',
      hipTop: 'drop',
      hipAtRidge: 'to-commons',
      valleys: 'supported',
      levelFascia: 'vary-overhang',
      shortestJack: 200,
    },
    saw: { maxTilt: 50 },
    blocks: [
      {
        id: 'main',
        outline: [
          [0, 0],
          [widthMm, 0],
          [widthMm, depthMm],
          [0, depthMm],
        ],
        plate: 0,
        sides: SIDES[shape].map((roof) => sideOf(roof, eave)),
        join: 'framed',
      },
    ],
    purlins: [],
    roofPurlins: [],
    openings: [],
    saddles: [],
    dormers: [],
    fixings: [],
  };
};
