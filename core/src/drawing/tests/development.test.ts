import { buildingInput, solvedInput } from '../../tests/building';
import { pitchRad } from '../../units';
import type { JobInput } from '../../job';
import { developmentsOf, type Development } from '..';

const DEG = 180 / Math.PI;

const withPurlins = (pitch: string, set: 'canted' | 'plumb', skew: number): JobInput => {
  const input = buildingInput({
    along: 10_000,
    across: 6000,
    pitch,
    timber: { purlin: { thickness: 75, depth: 150 } },
    framing: { levelFascia: 'vary-overhang' },
  });
  const [block] = input.blocks;
  const outline = [
    [0, 0],
    [10_000, 0],
    [10_000 - skew, 6000],
    [0, 6000],
  ] as [number, number][];
  return {
    ...input,
    blocks: [{ ...block!, outline }],
    purlins: [0, 1, 2, 3].map((side) => ({ block: 'main', side, at: 0.5, set })),
  };
};

/** The angle between two lines of the drawing that are read off it: the cut's, and square across the swung face. */
const readOff = ({ steps }: Development, does: 'deep-face' | 'narrow-face'): number => {
  const step = steps.find((one) => one.does === does)!;
  const { from, to } = step.lines.find(({ as }) => as === 'cut')!;
  return Math.atan(Math.abs((to[1] - from[1]) / (to[0] - from[0]))) * DEG;
};

describe.each([
  ['9/12', 'canted', 0],
  ['35°', 'canted', 1300],
  ['5/12', 'canted', -900],
  ['9/12', 'plumb', 0],
  ['9/12', 'plumb', 1300],
] as const)('the setting-out of purlins at %s, %s, the end %s mm askew', (pitch, set, skew) => {
  const solution = solvedInput(withPurlins(pitch, set, skew));
  const purlins = solution.members.filter(({ kind }) => kind === 'under-purlin');

  it('gives the two angles that the planes give, measured off the drawing', () => {
    expect(purlins.length).toBe(4);
    for (const member of purlins) {
      const entry = solution.cuts.members.find(({ members }) => members.includes(member.id))!;
      const all = developmentsOf(member);
      expect(all).toHaveLength(2);
      for (const drawn of all) {
        // Pieces of one line are cut alike or as mirror images, whose ends change about.
        const of = (name: string) => entry.cuts.filter((cut) => cut.name === name);
        const near = (name: string, deg: number) =>
          Math.min(
            ...of(name).map((cut) =>
              Math.abs((name === 'side' ? cut.faceAngle : cut.edgeAngle) - deg),
            ),
          );
        expect(near('side', readOff(drawn, 'deep-face'))).toBeLessThan(1e-9);
        expect(near('edge', readOff(drawn, 'narrow-face'))).toBeLessThan(1e-9);
        expect(drawn.side).toBeCloseTo(readOff(drawn, 'deep-face'), 9);
        expect(drawn.edge).toBeCloseTo(readOff(drawn, 'narrow-face'), 9);
      }
    }
  });

  it('swings each corner by its own true width, and drops it plumb', () => {
    for (const { steps } of developmentsOf(purlins[0]!))
      for (const { swings, lines, does } of steps) {
        for (const { about, from, to } of swings) {
          const radius = (p: readonly [number, number]) =>
            Math.hypot(p[0] - about[0], p[1] - about[1]);
          expect(radius(from)).toBeCloseTo(radius(to), 9);
          expect(radius(from)).toBeCloseTo(does === 'deep-face' ? 150 : 75, 9);
        }
        if (does === 'drop') for (const { from, to } of lines) expect(from[0]).toBe(to[0]);
      }
  });

  it('and the square’s two settings give them too', () => {
    const [drawn] = developmentsOf(purlins[0]!);
    if (set === 'plumb') {
      expect(drawn!.quick).toBeNull();
      expect(drawn!.side).toBeCloseTo(0, 9);
      return;
    }
    const by = ([tongue, blade]: readonly [number, number]) => Math.atan(tongue / blade) * DEG;
    expect(by(drawn!.quick!.side)).toBeCloseTo(drawn!.side, 9);
    expect(by(drawn!.quick!.edge)).toBeCloseTo(drawn!.edge, 9);
    if (skew === 0) {
      const theta = pitchRad(pitch);
      expect(drawn!.side).toBeCloseTo(Math.atan(Math.sin(theta)) * DEG, 9);
      expect(drawn!.edge).toBeCloseTo(Math.atan(Math.cos(theta)) * DEG, 9);
    }
  });
});

it('there is none for a rafter, nor for a purlin without a mitre', () => {
  const solution = solvedInput(withPurlins('9/12', 'canted', 0));
  const rafter = solution.members.find(({ kind }) => kind === 'common')!;
  expect(developmentsOf(rafter)).toEqual([]);
});
