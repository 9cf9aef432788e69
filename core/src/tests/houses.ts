import { readJob, type Job, type JobInput } from '../job';
import { problemLine } from '../problem';

type BlockInput = JobInput['blocks'][number];
type SideInput = BlockInput['sides'][number];
type Framing = Partial<JobInput['framing']>;

export const eave = (pitch: string, overhang = 450): SideInput => ({
  roof: 'eave',
  pitch,
  overhang,
});
export const gable: SideInput = { roof: 'gable' };
export const open: SideInput = { roof: 'open' };

/** A rectangle from its south-west corner; sides south, east, north, west. mm */
export const rectangle = (
  id: string,
  [x, y, w, h]: readonly [number, number, number, number],
  sides: SideInput[],
  more: Partial<BlockInput> = {},
): BlockInput => ({
  id,
  outline: [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ],
  sides,
  ...more,
});

export const jobOf = (
  blocks: BlockInput[],
  framing: Framing = {},
  timber: Partial<JobInput['timber']> = {},
): Job => {
  const read = readJob({
    format: 'ogee-job',
    version: 1,
    name: 'house',
    timber: {
      common: { thickness: 38, depth: 184 },
      hip: { thickness: 38, depth: 235 },
      valley: { thickness: 38, depth: 235 },
      ridge: { thickness: 38, depth: 235 },
      fascia: { thickness: 19, depth: 184 },
      plateWidth: 140,
      ...timber,
    },
    framing: { spacing: 400, seat: { depthFraction: 0.25 }, ...framing },
    blocks,
  });
  if (!read.ok) throw new Error(read.problems.map(problemLine).join('\n'));
  return read.value;
};

/** An eave whose pitch breaks: pitch at the plate, then where it changes and to what. */
export const broken = (pitch: string, ...breaks: [at: number, pitch: string][]): SideInput => ({
  roof: 'eave',
  pitch,
  overhang: 300,
  breaks: breaks.map(([at, above]) => ({ at, pitch: above })),
});

/** A rectangle of 12 × 8 m from the origin, with timber for a break; sides south, east, north, west. */
export const wide = (sides: SideInput[], framing: Framing = {}): Job =>
  jobOf([rectangle('main', [0, 0, 12000, 8000], sides)], framing, {
    purlin: { thickness: 63, depth: 300 },
  });

const main = (pitch = '9/12'): BlockInput =>
  rectangle('main', [0, 0, 10000, 6000], [eave(pitch), eave(pitch), eave(pitch), eave(pitch)]);

/** All eaves, one pitch a side. */
export const oneBlock = (
  outline: [number, number][],
  pitches: string[],
  framing: Framing = {},
): Job => jobOf([{ id: 'main', outline, sides: pitches.map((pitch) => eave(pitch)) }], framing);

/** A wing on the south wall of a 10 × 6 m hip roof, 3 m out, its inner end `reach` past the main ridge's line. */
export const tee = ({
  width = 4000,
  pitch = '9/12',
  reach = 0,
  join = 'framed',
  framing = {},
}: {
  readonly width?: number;
  readonly pitch?: string;
  readonly reach?: number;
  readonly join?: 'framed' | 'laid-on';
  readonly framing?: Framing;
} = {}): Job =>
  jobOf(
    [
      main(),
      rectangle(
        'wing',
        [5000 - width / 2, -3000, width, 6000 + reach - (reach < 0 ? 2500 : 0)],
        [gable, eave(pitch), open, eave(pitch)],
        { join },
      ),
    ],
    framing,
  );

/** A wing flush with the east end: the hip there breaks to the wing's lower ridge. */
export const ell = (framing: Framing = {}): Job =>
  jobOf(
    [
      main(),
      rectangle('wing', [6000, -3000, 4000, 6000], [gable, eave('9/12'), open, eave('9/12')]),
    ],
    framing,
  );

/** Two ranges as wide as each other, crossing. */
export const crossed = (framing: Framing = {}): Job =>
  jobOf(
    [
      main(),
      rectangle('wing', [2000, -3000, 6000, 12000], [gable, eave('9/12'), gable, eave('9/12')]),
    ],
    framing,
  );

/** A lean-to against the south wall, its ends gables or eaves. */
export const leanTo = ({
  plate = -1500,
  pitch = '4/12',
  ends = 'gable',
  framing = {},
}: {
  readonly plate?: number;
  readonly pitch?: string;
  readonly ends?: 'gable' | 'eave';
  readonly framing?: Framing;
} = {}): Job => {
  const end = ends === 'gable' ? gable : eave(pitch, 300);
  return jobOf(
    [
      main(),
      rectangle(
        'porch',
        [3000, -2000, 3000, 2000],
        [eave(pitch, 300), end, { roof: 'wall' }, end],
        { plate },
      ),
    ],
    framing,
  );
};

/** Two ranges side by side, their eaves facing each other over a shared wall. */
export const valleyBetween = (): Job =>
  jobOf([
    rectangle('west', [0, 0, 6000, 9000], [gable, eave('9/12', 300), gable, eave('9/12', 300)]),
    rectangle('east', [6000, 0, 6000, 9000], [gable, eave('9/12', 300), gable, eave('9/12', 300)]),
  ]);

/** A gable cut off by a small hip: the east wall's own plate stands 1.2 m up. */
export const halfHip = (framing: Framing = {}): Job =>
  jobOf(
    [
      rectangle(
        'main',
        [0, 0, 10000, 6000],
        [
          eave('9/12'),
          { roof: 'eave', pitch: '9/12', overhang: 300, raise: 1200 },
          eave('9/12'),
          gable,
        ],
      ),
    ],
    framing,
  );

/** The main slope carried out over a porch at a lower pitch. */
export const catslide = (): Job =>
  jobOf([
    main(),
    rectangle('porch', [3000, -2000, 3000, 5000], [eave('4/12'), gable, open, gable], {
      plate: -300,
    }),
  ]);
