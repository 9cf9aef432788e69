import fc from 'fast-check';
import type { JobInput } from '../job';

type BlockInput = JobInput['blocks'][number];
type SideInput = BlockInput['sides'][number];
type Point = [number, number];

/** Turns and moves a plan: corners out of square stay what they are. */
const placed = (points: readonly Point[], turn: number, [dx, dy]: Point): Point[] =>
  points.map(([x, y]) => [
    x * Math.cos(turn) - y * Math.sin(turn) + dx,
    x * Math.sin(turn) + y * Math.cos(turn) + dy,
  ]);

const rise = fc.integer({ min: 2, max: 24 });
const pitch = rise.map((n) => `${n}/12`);

const framing = fc.record({
  spacing: fc.constantFrom(406.4, 600, 800),
  layout: fc.constantFrom('ridge' as const, 'corner' as const),
  seat: fc.constantFrom({ depthFraction: 0.25 }, { depthFraction: 0.33 }),
  tail: fc.constantFrom('plumb' as const, 'square' as const),
  hipTop: fc.constantFrom('drop' as const, 'back' as const),
  hipAtRidge: fc.constantFrom('to-commons' as const, 'to-ridge' as const),
  valleys: fc.constantFrom('supported' as const, 'to-ridge-end' as const),
  levelFascia: fc.constantFrom('vary-overhang' as const, 'raise-plate' as const, undefined),
});

const timber = fc.record({
  common: fc.constantFrom({ thickness: 38, depth: 184 }, { thickness: 47, depth: 220 }),
  hip: fc.constantFrom({ thickness: 38, depth: 286 }, { thickness: 63, depth: 300 }),
  valley: fc.constantFrom({ thickness: 38, depth: 286 }, { thickness: 76, depth: 300 }),
  ridge: fc.constantFrom({ thickness: 38, depth: 286 }, { thickness: 63, depth: 300 }),
  fascia: fc.constantFrom({ thickness: 19, depth: 184 }, undefined),
});

const input = (blocks: BlockInput[], own: { framing: object; timber: object }): JobInput =>
  ({
    format: 'ogee-job',
    version: 1,
    name: 'any house',
    timber: { plateWidth: 140, ...own.timber },
    framing: own.framing,
    blocks,
  }) as JobInput;

const eave = (of: string, overhang: number): SideInput => ({ roof: 'eave', pitch: of, overhang });

/** One convex block of 3 to 7 sides, all eaves, corners between 60° and 150°. */
export const anyConvex: fc.Arbitrary<JobInput> = fc
  .record({
    sides: fc.integer({ min: 3, max: 7 }),
    wobble: fc.array(fc.double({ min: -0.12, max: 0.12, noNaN: true }), {
      minLength: 7,
      maxLength: 7,
    }),
    radius: fc.integer({ min: 3000, max: 6000 }),
    stretch: fc.double({ min: 1, max: 1.6, noNaN: true }),
    pitches: fc.array(pitch, { minLength: 7, maxLength: 7 }),
    equal: fc.boolean(),
    overhang: fc.constantFrom(0, 300, 450),
    framing,
    timber,
  })
  .map(({ sides, wobble, radius, stretch, pitches, equal, overhang, ...own }) => {
    const outline = Array.from({ length: sides }, (_, i): Point => {
      const angle = ((i + (wobble[i] ?? 0)) * 2 * Math.PI) / sides;
      return [stretch * radius * Math.cos(angle), radius * Math.sin(angle)];
    });
    const of = (i: number): string => (equal ? pitches[0] : pitches[i]) ?? '9/12';
    return input(
      [{ id: 'main', outline, sides: outline.map((_, i) => eave(of(i), overhang)) }],
      own,
    );
  });

/** A four-sided plan whose ends may be out of square by up to 30°, each an eave or, where square, a gable. */
export const anyFourSided: fc.Arbitrary<JobInput> = fc
  .record({
    along: fc.integer({ min: 6000, max: 14000 }),
    across: fc.integer({ min: 3000, max: 9000 }),
    skew: fc.tuple(
      fc.double({ min: -0.5, max: 0.5, noNaN: true }),
      fc.double({ min: -0.5, max: 0.5, noNaN: true }),
    ),
    ends: fc.tuple(fc.constantFrom('eave', 'gable'), fc.constantFrom('eave', 'gable')),
    pitches: fc.tuple(pitch, pitch, pitch, pitch),
    turn: fc.constantFrom(0, 0.4, 2.2),
    overhang: fc.constantFrom(0, 300, 450),
    framing,
    timber,
  })
  .filter(({ along, across, skew }) => along > 1.4 * across && Math.max(...skew) < 0.9)
  .map(({ along, across, skew, ends, pitches, turn, overhang, ...own }) => {
    const outline: Point[] = [
      [0, 0],
      [along, 0],
      [along + across * Math.tan(skew[0]), across],
      [across * Math.tan(skew[1]), across],
    ];
    const end = (roof: string, of: string): SideInput =>
      roof === 'gable' ? { roof: 'gable', overhang: 0 } : eave(of, overhang);
    return input(
      [
        {
          id: 'main',
          outline: placed(outline, turn, [700, -300]),
          sides: [
            eave(pitches[0], overhang),
            end(ends[0], pitches[1]),
            eave(pitches[2], overhang),
            end(ends[1], pitches[3]),
          ],
        },
      ],
      own,
    );
  });

type EaveInput = Extract<SideInput, { roof: 'eave' }>;

/** How a side breaks: to a shallower pitch above, out at the eave, or both. */
const profile = fc
  .record({
    at: fc.integer({ min: 500, max: 1100 }),
    eave: fc.integer({ min: 3, max: 5 }),
    steep: fc.integer({ min: 14, max: 22 }),
    top: fc.integer({ min: 4, max: 8 }),
    kind: fc.constantFrom('gambrel' as const, 'bell' as const, 'both' as const),
  })
  .map(({ at, eave: low, steep, top, kind }): Pick<EaveInput, 'pitch' | 'breaks'> => {
    const first = { gambrel: steep, bell: low, both: low }[kind];
    const upper = { gambrel: [top], bell: [low + top], both: [steep, top] }[kind];
    return {
      pitch: `${first}/12`,
      breaks: upper.map((rise, i) => ({ at: at * (i + 1), pitch: `${rise}/12` })),
    };
  });

/** One of the houses here with a break in pitch down every eave. */
export const anyBroken: fc.Arbitrary<JobInput> = fc
  .record({
    house: fc.oneof(
      fc.constant(null).chain(() => anyFourSided),
      fc.constant(null).chain(() => anyWinged),
    ),
    profile,
    purlin: fc.constantFrom({ thickness: 38, depth: 235 }, { thickness: 63, depth: 300 }),
  })
  .map(({ house, profile: own, purlin }) => ({
    ...house,
    timber: { ...house.timber, purlin },
    blocks: house.blocks.map((block) => ({
      ...block,
      sides: block.sides.map((side) => (side.roof === 'eave' ? { ...side, ...own } : side)),
    })),
  }));

/** A hip roof, its end out of square or not, with a gablet above one hip or both. */
export const anyGablet: fc.Arbitrary<JobInput> = fc
  .record({
    along: fc.integer({ min: 8000, max: 14000 }),
    across: fc.integer({ min: 5000, max: 8000 }),
    skew: fc.double({ min: -0.3, max: 0.3, noNaN: true }),
    pitches: fc.tuple(pitch, pitch),
    at: fc.tuple(fc.integer({ min: 700, max: 1800 }), fc.integer({ min: 700, max: 1800 })),
    both: fc.boolean(),
    turn: fc.constantFrom(0, 0.4, 2.2),
    overhang: fc.constantFrom(0, 300, 450),
    framing,
    timber,
  })
  .map(({ along, across, skew, pitches, at, both, turn, overhang, ...own }) => {
    const outline: Point[] = [
      [0, 0],
      [along, 0],
      [along + across * Math.tan(skew), across],
      [0, across],
    ];
    const side = eave(pitches[0], overhang);
    const end = (i: 0 | 1): SideInput => ({
      ...(eave(pitches[i], overhang) as EaveInput),
      gablet: { at: at[i] },
    });
    const sides = [side, end(1), side, both ? end(0) : side];
    return input([{ id: 'main', outline: placed(outline, turn, [700, -300]), sides }], own);
  });

/** A main block with a wing wider than it is, whose ridge stands higher. */
export const anyHighWing: fc.Arbitrary<JobInput> = fc
  .record({
    across: fc.integer({ min: 5000, max: 7000 }),
    wider: fc.integer({ min: 600, max: 3000 }),
    depth: fc.integer({ min: 300, max: 4000 }),
    projection: fc.integer({ min: 1500, max: 5000 }),
    pitches: fc.tuple(pitch, pitch),
    ends: fc.tuple(fc.constantFrom('eave', 'gable'), fc.constantFrom('eave', 'gable')),
    overhang: fc.constantFrom(0, 300, 450),
    framing,
    timber,
  })
  .map(({ across, wider, depth, projection, pitches: [main, other], ends, overhang, ...own }) => {
    const width = across + wider;
    const along = width + 4000;
    const end = (roof: string): SideInput =>
      roof === 'gable' ? { roof: 'gable', overhang: 0 } : eave(main, overhang);
    const box = (x: number, y: number, w: number, h: number): Point[] => [
      [x, y],
      [x + w, y],
      [x + w, y + h],
      [x, y + h],
    ];
    const beside = eave(parseInt(other) < parseInt(main) ? main : other, overhang);
    return input(
      [
        {
          id: 'main',
          outline: box(0, 0, along, across),
          sides: [eave(main, overhang), end(ends[0]), eave(main, overhang), end(ends[0])],
        },
        {
          id: 'wing',
          outline: box(2000, -projection, width, projection + depth),
          sides: [end(ends[1]), beside, { roof: 'open' }, beside],
        },
      ],
      own,
    );
  });

/** A main block with up to three wings on its long walls. */
export const anyWinged: fc.Arbitrary<JobInput> = fc
  .record({
    along: fc.integer({ min: 10000, max: 18000 }),
    across: fc.integer({ min: 5000, max: 9000 }),
    main: pitch,
    ends: fc.tuple(fc.constantFrom('eave', 'gable'), fc.constantFrom('eave', 'gable')),
    wings: fc.array(
      fc.record({
        wall: fc.constantFrom(0, 2),
        width: fc.integer({ min: 2400, max: 6000 }),
        projection: fc.integer({ min: 1500, max: 6000 }),
        pitch: fc.option(pitch, { nil: undefined, freq: 2 }),
        end: fc.constantFrom('eave', 'gable'),
        flush: fc.boolean(),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    turn: fc.constantFrom(0, 0.4, 2.2),
    overhang: fc.constantFrom(0, 300, 450),
    framing,
    timber,
  })
  .map(({ along, across, main, ends, wings, turn, overhang, ...own }) => {
    const end = (roof: string, of: string): SideInput =>
      roof === 'gable' ? { roof: 'gable', overhang: 0 } : eave(of, overhang);
    const share = along / wings.length;
    const at = (points: Point[]): Point[] => placed(points, turn, [400, 900]);
    const blocks: BlockInput[] = [
      {
        id: 'main',
        outline: at([
          [0, 0],
          [along, 0],
          [along, across],
          [0, across],
        ]),
        sides: [eave(main, overhang), end(ends[0], main), eave(main, overhang), end(ends[1], main)],
      },
    ];
    wings.forEach((wing, i) => {
      // No higher than the main roof, so that its inner end is hidden there.
      const widest = Math.min(wing.width, share - 1200, across);
      const low = (of: string): boolean => parseInt(of) * widest <= 0.9 * parseInt(main) * across;
      const of = wing.pitch !== undefined && low(wing.pitch) ? wing.pitch : main;
      const width = widest;
      const there = wing.wall === 0 ? ends[1] : ends[0];
      const x = wing.flush && i === 0 && there === 'eave' ? 0 : i * share + (share - width) / 2;
      const sides: SideInput[] = [
        end(wing.end, of),
        eave(x === 0 ? main : of, overhang),
        { roof: 'open' },
        eave(x === 0 ? main : of, overhang),
      ];
      const far = -wing.projection;
      const points: Point[] = [
        [x, far],
        [x + width, far],
        [x + width, across / 2],
        [x, across / 2],
      ];
      const turned: Point[] =
        wing.wall === 0 ? points : points.map(([px, py]) => [along - px, across - py]);
      blocks.push({ id: `wing${i}`, outline: at(turned), sides });
    });
    return input(blocks, own);
  });
