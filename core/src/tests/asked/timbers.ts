import fc from 'fast-check';
import type { JobInput } from '../../job';
import type { Feature } from './feature';
import {
  between,
  runMm,
  share,
  SLOPE,
  wholeBetween,
  withFraming,
  withMain,
  withInput,
  withSides,
  withTimber,
  type House,
} from './house';

type Hole = NonNullable<JobInput['openings']>[number];
type Dormer = NonNullable<JobInput['dormers']>[number];
type Purlin = NonNullable<JobInput['purlins']>[number];
type RoofPurlins = NonNullable<JobInput['roofPurlins']>[number];

const BACKING = { thickness: 30, depth: 120 };
const STUD = { thickness: 38, depth: 89 };

/** Along the wall, so wide, at a share of where the slope is whole up to that distance. */
const alongWall = (house: House, upMm: number, wide: number, at: number): [number, number] => {
  const [from, to] = wholeBetween(house, upMm);
  const start = between(from + 200, to - 200 - wide, at);
  return [start, start + wide];
};

const withOpening = (house: House, opening: Omit<Hole, 'block' | 'side'>): House =>
  withInput(house, {
    openings: [...(house.input.openings ?? []), { block: 'main', side: SLOPE, ...opening }],
  });

const withDormer = (house: House, dormer: Omit<Dormer, 'block' | 'side'>): House =>
  withInput(house, {
    dormers: [...(house.input.dormers ?? []), { block: 'main', side: SLOPE, ...dormer }],
  });

const withPurlin = (house: House, purlin: Omit<Purlin, 'block' | 'side'>): House => ({
  ...withInput(withTimber(house, { purlin: { thickness: 63, depth: 150 } }), {
    purlins: [
      ...(house.input.purlins ?? []),
      ...house.input.blocks[0]!.sides.flatMap(({ roof }, side) =>
        roof === 'eave' ? [{ block: 'main', side, ...purlin }] : [],
      ),
    ],
  }),
});

const withRows = (house: House, rows: Omit<RoofPurlins, 'block'>): House =>
  withInput(house, {
    roofPurlins: [...(house.input.roofPurlins ?? []), { block: 'main', ...rows }],
  });

const withJoists = (house: House, rafterTies: NonNullable<JobInput['rafterTies']>): House =>
  withTimber(withInput(house, { rafterTies }), { rafterTie: { thickness: 38, depth: 140 } });

const LADDER = {
  barge: { thickness: 38, depth: 140 },
  lookout: STUD,
};

/** What is set, hung or laid on the slopes and under them. */
export const TIMBERS: readonly Feature[] = [
  {
    name: 'roof window',
    needs: null,
    ask: fc
      .record({
        at: share,
        wide: share,
        up: share,
        tall: share,
        clearance: fc.constantFrom(0, 25),
        doubled: fc.boolean(),
      })
      .map(({ at, wide, up, tall, clearance, doubled }) => (house) => {
        const from = between(500, 0.45 * runMm(house), up);
        const to = from + between(500, 0.4 * runMm(house), tall);
        return withOpening(house, {
          name: 'window',
          along: alongWall(house, to, between(450, 1000, wide), 0.1 + 0.25 * at),
          up: [from, to],
          clearance,
          ...(doubled && { doubled }),
        });
      }),
  },
  {
    name: 'window at the eave',
    needs: null,
    ask: fc.record({ at: share, wide: share, tall: share }).map(({ at, wide, tall }) => (house) => {
      const to = between(900, 0.5 * runMm(house), tall);
      return withOpening(house, {
        name: 'low window',
        along: alongWall(house, to, between(450, 1000, wide), 0.1 + 0.25 * at),
        up: [0, to],
        clearance: 0,
      });
    }),
  },
  {
    name: 'chimney with its saddle',
    needs: null,
    ask: fc.record({ at: share, wide: share, up: share }).map(({ at, wide, up }) => (house) => {
      const from = between(0.45 * runMm(house), 0.55 * runMm(house), up);
      const to = from + 500;
      const along = alongWall(house, to, between(600, 900, wide), 0.65 + 0.2 * at);
      const opened = withOpening(house, { name: 'chimney', along, up: [from, to], clearance: 50 });
      return withInput(opened, {
        saddles: [{ block: 'main', side: SLOPE, along, at: to }],
      });
    }),
  },
  {
    name: 'gable dormer',
    needs: null,
    ask: fc
      .record({ at: share, wide: share, wall: share, inLine: fc.boolean() })
      .map(({ at, wide, wall, inLine }) => (house) => {
        const face = inLine ? 0 : 400;
        const width = between(1300, 1600, wide);
        // Its ridge comes down on the slope below the main one.
        const most = (0.9 * runMm(house) - face - width / 2) * house.m;
        return withDormer(house, {
          along: alongWall(house, 0.7 * runMm(house), width, 0.35 + 0.2 * at),
          face,
          plate: Math.round(face * house.m + between(0.6 * most, most, wall)),
          roof: 'gable',
          overhang: 150,
        });
      }),
  },
  {
    name: 'shed dormer',
    needs: null,
    ask: fc.record({ at: share, wide: share, wall: share }).map(({ at, wide, wall }) => (house) => {
      const face = 400;
      const top = Math.round(0.85 * runMm(house));
      const width = between(1500, 2400, wide);
      const rise = (top - face) * house.m;
      return withDormer(house, {
        along: alongWall(house, 0.85 * runMm(house), width, 0.4 + 0.2 * at),
        face,
        plate: Math.round(face * house.m + between(0.4 * rise, 0.75 * rise, wall)),
        roof: 'shed',
        top,
        overhang: 150,
      });
    }),
  },
  {
    name: 'canted purlins',
    needs: null,
    ask: share.map((at) => (house) => withPurlin(house, { at: 0.35 + 0.3 * at, set: 'canted' })),
  },
  {
    name: 'plumb purlins',
    needs: null,
    ask: fc.record({ at: share, top: fc.constantFrom('bevelled' as const, 'square' as const) }).map(
      ({ at, top }) =>
        (house) =>
          withPurlin(house, { at: 0.35 + 0.3 * at, set: 'plumb', top }),
    ),
  },
  {
    name: 'purlins on struts',
    needs: null,
    ask: fc.record({ at: share, foot: share, spacing: share }).map(
      ({ at, foot, spacing }) =>
        (house) =>
          withTimber(
            withPurlin(house, {
              at: 0.45 + 0.1 * at,
              set: 'canted',
              struts: {
                foot: between(0.48 * runMm(house), 0.58 * runMm(house), foot),
                spacing: between(1500, 2400, spacing),
              },
            }),
            { strut: { thickness: 47, depth: 97 } },
          ),
    ),
  },
  {
    name: 'ridge beam',
    needs: null,
    atRidge: true,
    ask: fc.record({ spacing: share, floor: fc.boolean() }).map(
      ({ spacing, floor }) =>
        (house) =>
          withTimber(
            withMain(house, (main) => ({
              ...main,
              ridgeBeam: { spacing: between(1800, 4000, spacing), foot: floor ? -2400 : 0 },
            })),
            { ridge: { thickness: 90, depth: 320 }, post: { thickness: 90, depth: 90 } },
          ),
    ),
  },
  {
    name: 'hip braces',
    needs: 'hip',
    ask: fc
      .record({ at: share, lean: share, high: fc.boolean() })
      .map(({ at, lean, high }) => (house) => {
        // Along the hip in plan from the south-east corner, which is a hip's where the east end is one.
        const head = between(0.45 * runMm(house), 0.7 * runMm(house), at) * Math.SQRT2;
        return withTimber(
          withInput(house, {
            hipBraces: [
              {
                block: 'main',
                corner: 1,
                at: Math.round(head),
                foot: Math.round(head * (0.85 + 0.2 * lean)),
                ...(high && { level: 150 }),
              },
            ],
          }),
          { strut: { thickness: 47, depth: 97 } },
        );
      }),
  },
  {
    name: 'rows over',
    needs: null,
    settles: 'rows',
    ask: fc
      .record({ spacing: share, planes: fc.constantFrom('tops' as const, 'rafters' as const) })
      .map(
        ({ spacing, planes }) =>
          (house) =>
            withRows(house, {
              stock: { thickness: 75, depth: 50 },
              spacing: between(700, 1100, spacing),
              first: 60,
              last: 150,
              set: 'over',
              planes,
            }),
      ),
  },
  {
    name: 'rows between',
    needs: null,
    settles: 'rows',
    ask: share.map(
      (spacing) => (house) =>
        withRows(house, {
          stock: { thickness: 38, depth: 89 },
          spacing: between(900, 1300, spacing),
          first: 200,
          last: 200,
          set: 'between',
        }),
    ),
  },
  {
    name: 'collar ties',
    needs: null,
    ask: fc
      .record({
        bottom: fc.constantFrom('upper-third' as const, 0.45, 0.6),
        every: fc.integer({ min: 1, max: 3 }),
        hold: fc.constantFrom(0, 12),
      })
      .map(
        ({ bottom, every, hold }) =>
          (house) =>
            withTimber(
              withInput(house, {
                collarTies: {
                  bottom:
                    bottom === 'upper-third' ? bottom : Math.round(bottom * runMm(house) * house.m),
                  every,
                  hold,
                },
              }),
              { collarTie: STUD },
            ),
      ),
  },
  {
    name: 'ceiling joists',
    needs: null,
    settles: 'ties',
    ask: fc
      .record({
        every: fc.integer({ min: 1, max: 2 }),
        lap: fc.constantFrom(null, 200),
        backed: fc.boolean(),
      })
      .map(({ every, lap, backed }) => (house) => {
        const tied = withJoists(house, { every, ...(lap !== null && { lap }) });
        return backed ? withTimber(tied, { backing: BACKING }) : tied;
      }),
  },
  {
    name: 'joists at their own spacing',
    needs: null,
    settles: 'ties',
    ask: fc
      .constantFrom(400, 600)
      .map((spacing) => (house) => withJoists(house, { spacing, spacers: true })),
  },
  {
    name: 'short joists and backing',
    needs: 'hip',
    settles: 'ties',
    ask: fc.record({ spacers: fc.boolean(), atHips: fc.constantFrom('short', 'both') }).map(
      ({ spacers, atHips }) =>
        (house) =>
          withTimber(
            withInput(house, { rafterTies: { every: 1, atHips: atHips as 'short', spacers } }),
            {
              rafterTie: { thickness: 38, depth: 140 },
              backing: BACKING,
            },
          ),
    ),
  },
  {
    name: 'barges on ladders',
    needs: 'gable',
    ask: fc.constantFrom('butted' as const, 'laid-in' as const).map(
      (lookouts) => (house) =>
        withTimber(
          withFraming(
            withSides(house, (side) => (side.roof === 'gable' ? { ...side, overhang: 300 } : side)),
            { lookouts },
          ),
          LADDER,
        ),
    ),
  },
  {
    name: 'gable studs',
    needs: 'gable',
    ask: fc
      .constantFrom('flat' as const, 'notched' as const)
      .map(
        (gableStuds) => (house) =>
          withTimber(withFraming(house, { gableStuds }), { gableStud: STUD }),
      ),
  },
  {
    name: 'eave blocks',
    needs: null,
    ask: fc
      .constant(null)
      .map(() => (house) => withTimber(house, { blocking: { thickness: 38, depth: 600 } })),
  },
  {
    name: 'an eave on posts',
    needs: null,
    ask: fc.constantFrom(1500, 2500).map(
      (spacing) => (house) =>
        withTimber(
          withSides(house, (side, i) =>
            i === SLOPE && side.roof === 'eave'
              ? { ...side, posts: { height: 2400, spacing } }
              : side,
          ),
          {
            beam: { thickness: 60, depth: 140 },
            post: { thickness: 60, depth: 60 },
          },
        ),
    ),
  },
  {
    name: 'short boards',
    needs: null,
    ask: fc
      .record({
        longest: share,
        scarfEnds: fc.constantFrom('feathered' as const, 'square' as const),
      })
      .map(({ longest, scarfEnds }) => (house) => {
        const { ridge = { thickness: 38, depth: 235 }, purlin } = house.input.timber;
        const most = { longest: between(3600, 4800, longest) };
        return withTimber(withFraming(house, { scarfEnds }), {
          ridge: { ...ridge, ...most },
          ...(purlin && { purlin: { ...purlin, ...most } }),
        });
      }),
  },
];
