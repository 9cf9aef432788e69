import {
  clearanceOf,
  eaveOfPart,
  readJob,
  withObstruction,
  withObstructionCleared,
  withOverhang,
  withSoffit,
  type Job,
  type JobInput,
} from '..';
import { boardOf, memberOf } from '../../cuts';
import { eaveSection, type EaveSection } from '../../drawing';
import { solve } from '../../solve';
import { buildingInput } from '../../tests/building';

const jobOf = (tail: 'plumb' | 'square', seat: JobInput['framing']['seat']): Job => {
  const read = readJob(
    buildingInput({ along: 7000, across: 5000, pitch: '8/12', framing: { tail, seat } }),
  );
  if (!read.ok) throw new Error('refused');
  return read.value;
};

/** The section of the job as it is framed, which knows nothing of how it was entered. */
const sectionOf = (job: Job): EaveSection => {
  const solved = solve(job);
  if (!solved.ok) throw new Error('not framed');
  const entry = solved.value.cuts.members.find(({ kind }) => kind === 'common')!;
  const member = memberOf(solved.value, entry)!;
  expect(boardOf(member).lengthMm).toBeGreaterThan(0);
  return eaveSection(job, entry, member, solved.value.members)!;
};

describe.each([
  ['plumb', { depthFraction: 0.25 }],
  ['plumb', { hap: 140 }],
  ['square', { width: 80 }],
  ['square', { depthFraction: 0.2 }],
] as const)('the eave with a %s tail and seat %j', (tail, seat) => {
  const job = jobOf(tail, seat);

  it('is told as it is framed: seat, overhang, soffit', () => {
    const eave = eaveOfPart(job, 0)!;
    const section = sectionOf(job);
    expect(section.hapMm).toBeCloseTo(eave.hap, 6);
    expect(section.overhangMm).toBeCloseTo(eave.overhang, 6);
    expect(-section.soffitMm!).toBeCloseTo(eave.soffit, 6);
  });

  it('comes to the soffit that is wanted, by the overhang or by the seat', () => {
    for (const below of [180, 240.5, 300]) {
      for (const gives of ['overhang', 'seat'] as const) {
        // By the seat only little: the rafter must keep one.
        const wanted = gives === 'seat' ? eaveOfPart(job, 0)!.soffit + (below - 240) / 10 : below;
        const next = withSoffit(job, 0, wanted, gives);
        expect(-sectionOf(next).soffitMm!).toBeCloseTo(wanted, 6);
        const [was, is] = [eaveOfPart(job, 0)!, eaveOfPart(next, 0)!];
        expect(gives === 'overhang' ? is.hap : is.overhang).toBeCloseTo(
          gives === 'overhang' ? was.hap : was.overhang,
          6,
        );
      }
    }
  });

  it('clears what stands outside the wall, once it is set to', () => {
    const obstruction = { out: 60, below: 80 };
    const asked = withObstruction(job, obstruction);
    const cleared = withObstructionCleared(asked, 0);
    expect(clearanceOf(cleared, 0)).toBeCloseTo(0, 9);
    // The underside over the place is as high as its top.
    const { rafter } = sectionOf(cleared);
    const low = rafter.flatMap((loop) =>
      loop.flatMap(([x, z], i) => {
        const [x2, z2] = loop[(i + 1) % loop.length]!;
        const share = (-obstruction.out - x) / (x2 - x);
        return x2 !== x && share >= 0 && share <= 1 ? [z + share * (z2 - z)] : [];
      }),
    );
    expect(Math.min(...low)).toBeCloseTo(-obstruction.below, 6);
    expect(withObstruction(cleared, null).framing.obstruction).toBeUndefined();
  });
});

it('keeps the eaves of a part alike that were, and leaves the others', () => {
  const job = jobOf('plumb', { hap: 140 });
  const [block] = job.blocks;
  const sides = block!.sides.map((side, i) =>
    i === 1 && side.roof === 'eave' ? { ...side, overhang: 300 } : side,
  );
  const next = withOverhang({ ...job, blocks: [{ ...block!, sides }] }, 0, 500);
  expect(next.blocks[0]!.sides.map((side) => 'overhang' in side && side.overhang)).toEqual([
    500, 300, 500, 500,
  ]);
});

it('what stands out past the tails is nothing to clear', () => {
  const job = withObstruction(jobOf('plumb', { hap: 140 }), { out: 600, below: 0 });
  expect(clearanceOf(job, 0)).toBeNull();
});

it('says so in the list where the rafters do not clear it', () => {
  const job = withObstruction(jobOf('plumb', { hap: 140 }), { out: 60, below: -200 });
  const solved = solve(job);
  expect(solved.ok && solved.value.cuts.notes.map(({ code }) => code)).toContain('not-cleared');
});
