import fc from 'fast-check';
import type { Feature } from './feature';
import {
  between,
  runMm,
  share,
  withInput,
  withMain,
  withSides,
  type BlockInput,
  type House,
  type Point,
  type SideInput,
} from './house';

/** A part that stands on the front wall: from a share of its length on, so wide, so far out, so far in. */
const onFront = (
  { alongMm }: House,
  at: number,
  width: number,
  out: number,
  inner: number,
): Point[] => {
  const from = between(0, alongMm, at) - Math.round(width / 2);
  return [
    [from, -out],
    [from + width, -out],
    [from + width, inner],
    [from, inner],
  ];
};

const withBlock = (house: House, block: BlockInput): House =>
  withInput(house, { blocks: [...house.input.blocks, block] });

const eaveLike = (house: House, pitch = house.m): SideInput => {
  const [side] = house.input.blocks[0]?.sides ?? [];
  return {
    roof: 'eave',
    pitch: { rise: pitch, run: 1 },
    overhang: side?.roof === 'eave' ? (side.overhang ?? 0) : 0,
  };
};

/** What changes the roof's planes: parts, breaks, corners. */
export const SHAPES: readonly Feature[] = [
  {
    name: 'unlike pitches',
    needs: 'hip',
    ask: fc
      .record({ pitch: share, school: fc.constantFrom('vary-overhang', 'raise-plate') })
      .map(({ pitch, school }) => (house) => {
        const other = house.m * (0.8 + 0.5 * pitch);
        return withInput(
          withSides(house, (side, i) =>
            i === 1 && side.roof === 'eave' ? { ...side, pitch: { rise: other, run: 1 } } : side,
          ),
          { framing: { ...house.input.framing, levelFascia: school as 'vary-overhang' } },
        );
      }),
  },
  {
    name: 'out of square',
    needs: null,
    ask: fc.array(fc.integer({ min: -60, max: 60 }), { minLength: 8, maxLength: 8 }).map(
      (off) => (house) =>
        withMain(house, (main) => ({
          ...main,
          outline: (main.outline as Point[]).map(([x, y], i): Point => [
            x + (off[2 * i] ?? 0),
            y + (off[2 * i + 1] ?? 0),
          ]),
        })),
    ),
  },
  {
    name: 'break in pitch',
    needs: null,
    ask: fc.record({ at: share, steeper: fc.boolean() }).map(({ at, steeper }) => (house) => {
      const own = steeper ? 0.5 * house.m : 1.6 * house.m;
      return withInput(
        withSides(house, (side) =>
          side.roof !== 'eave'
            ? side
            : {
                ...side,
                breaks: [
                  {
                    at: between(0.3 * runMm(house), 0.5 * runMm(house), at),
                    pitch: { rise: Math.max(0.2, own), run: 1 },
                  },
                ],
              },
        ),
        { timber: { ...house.input.timber, purlin: { thickness: 63, depth: 300 } } },
      );
    }),
  },
  {
    name: 'gablet',
    needs: 'hip',
    ask: share.map(
      (at) => (house) =>
        withSides(house, (side, i) =>
          i === 1 && side.roof === 'eave'
            ? { ...side, gablet: { at: between(0.4 * runMm(house), 0.7 * runMm(house), at) } }
            : side,
        ),
    ),
  },
  {
    name: 'half-hip',
    needs: 'hip',
    ask: share.map(
      (at) => (house) =>
        withSides(house, (side, i) =>
          i === 1 && side.roof === 'eave'
            ? { ...side, raise: Math.round(runMm(house) * house.m * (0.3 + 0.3 * at)) }
            : side,
        ),
    ),
  },
  {
    name: 'two walls',
    needs: 'gable',
    oneSlope: true,
    ask: fc.record({ pitch: share, over: share }).map(({ pitch, over }) => (house) => {
      const m = Math.round((0.4 + 0.4 * pitch) * 12) / 12;
      const shed = withSides({ ...house, m }, (side, i) => {
        if (i === 0 && side.roof === 'eave') return { ...side, pitch: { rise: m, run: 1 } };
        if (i === 2) return { roof: 'high', overhang: between(0, 500, over) };
        return side.roof === 'gable' ? side : { roof: 'gable' };
      });
      return { ...shed, ends: ['gable', 'gable'] };
    }),
  },
  {
    name: 'wing',
    needs: null,
    ask: fc
      .record({ wide: share, out: share, gable: fc.boolean() })
      .map(({ wide, out, gable }) => (house) => {
        const eave = eaveLike(house);
        return withBlock(house, {
          id: 'wing',
          outline: onFront(
            house,
            0.75,
            between(2600, 3600, wide),
            between(1500, 3000, out),
            runMm(house),
          ),
          sides: [gable ? { roof: 'gable' } : eave, eave, { roof: 'open' }, eave],
        });
      }),
  },
  {
    name: 'bay',
    needs: null,
    ask: fc.record({ wide: share, out: share }).map(({ wide, out }) => (house) => {
      const eave = eaveLike(house);
      const width = between(2400, 3200, wide);
      const deep = between(700, 1000, out);
      const splay = Math.min(deep, width / 4);
      const from = between(0, house.alongMm, 0.25) - Math.round(width / 2);
      const inner = Math.round(runMm(house) / 2);
      return withBlock(house, {
        id: 'bay',
        outline: [
          [from + splay, -deep],
          [from + width - splay, -deep],
          [from + width, splay - deep],
          [from + width, inner],
          [from, inner],
          [from, splay - deep],
        ],
        sides: [eave, eave, eave, { roof: 'open' }, eave, eave],
      });
    }),
  },
  {
    name: 'lean-to',
    needs: null,
    ask: fc
      .record({ wide: share, out: share, ledger: fc.constantFrom(true, true, false) })
      .map(({ wide, out, ledger }) => (house) => {
        const deep = between(1500, 2200, out);
        const low = 0.35 * house.m;
        const added = withBlock(house, {
          id: 'porch',
          plate: -Math.round(low * deep + 600),
          outline: onFront(house, 0.3, between(2400, 3600, wide), deep, 0),
          sides: [
            { roof: 'eave', pitch: { rise: low, run: 1 }, overhang: 250 },
            { roof: 'gable' },
            { roof: 'wall' },
            { roof: 'gable' },
          ],
        });
        return ledger
          ? withInput(added, {
              timber: { ...added.input.timber, ledger: { thickness: 38, depth: 184 } },
            })
          : added;
      }),
  },
  {
    name: 'laid-on porch',
    needs: null,
    ask: fc
      .record({ wide: share, out: share, sleepers: fc.boolean() })
      .map(({ wide, out, sleepers }) => (house) => {
        const width = between(2000, 2800, wide);
        const eave = eaveLike(house);
        const added = withBlock(house, {
          id: 'entry',
          join: 'laid-on',
          outline: onFront(house, 0.3, width, between(900, 1800, out), Math.round(width / 2 + 200)),
          sides: [{ roof: 'gable' }, eave, { roof: 'open' }, eave],
        });
        return sleepers
          ? withInput(added, {
              timber: { ...added.input.timber, sleeper: { thickness: 38, depth: 140 } },
            })
          : added;
      }),
  },
];
