import fc from 'fast-check';
import {
  merged,
  newJob,
  readJob,
  resized,
  withBlock,
  withDormer,
  withDormerAs,
  withFixing,
  withOpening,
  withOpeningAs,
  withoutBlock,
  withPitch,
  withPurlins,
  withSide,
  withWallMoved,
  withWing,
  type Job,
} from '../..';
import { runs, seeded } from '../../../tests/effort';

const read = (job: Job): Job => {
  const found = readJob(job);
  if (!found.ok) throw new Error(JSON.stringify(found.problems));
  return found.value;
};

const display = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
/** A house with a wing, an opening, a dormer, purlins and ties. */
const house = ((): Job => {
  const plain = newJob('house', display, 12_000, 7000, '40°');
  const winged = withWing(plain, 0, 0, { width: 4000, projection: 3000, fromCorner: 3000 });
  const opened = withOpening(withOpening(winged, 0, 'first'), 0, 'second');
  const dormered = withDormer(opened, 0, 'only');
  return read(withPurlins(dormered, 'main', { at: 0.5, set: 'canted' }));
})();

type Edit = (job: Job) => Job;

/** One edit of each sort by the same figure, each as a person makes it. */
const edits = (n: number): Readonly<Record<string, Edit>> => ({
  along: (job) => resized(job, 0, [12_000 + n, across(job)]),
  across: (job) => resized(job, 0, [along(job), 7000 + n]),
  wingOut: (job) => withWallMoved(job, 1, 2, n) ?? job,
  plate: (job) => withBlock(job, 0, (block) => ({ ...block, plate: n })),
  pitch: (job) => withPitch(job, 0, `${30 + (n % 20)}°`),
  overhang: (job) =>
    withSide(job, 0, 0, (side) => (side.roof === 'eave' ? { ...side, overhang: n } : side)),
  otherOverhang: (job) =>
    withSide(job, 0, 2, (side) => (side.roof === 'eave' ? { ...side, overhang: n } : side)),
  spacing: (job) => ({ ...job, framing: { ...job.framing, spacing: 300 + n } }),
  seat: (job) => ({ ...job, framing: { ...job.framing, seat: { hap: 60 + (n % 90) } } }),
  tail: (job) => ({ ...job, framing: { ...job.framing, tail: 'square' } }),
  common: (job) => ({
    ...job,
    timber: { ...job.timber, common: { thickness: 38, depth: 150 + (n % 100) } },
  }),
  first: (job) => withOpeningAs(job, place(job, 'first'), { clearance: n % 90 }),
  second: (job) => withOpeningAs(job, place(job, 'second'), { doubled: true }),
  noFirst: (job) => withOpeningAs(job, place(job, 'first'), null),
  dormer: (job) => withDormerAs(job, 0, { overhang: n % 300 }),
  oneMore: (job) => withOpening(job, 0, `new ${n}`),
  purlins: (job) => withPurlins(job, 'main', { at: 0.3 + (n % 300) / 1000, set: 'canted' }),
  fixing: (job) => withFixing(job, 'line-end', { place: 'line-end', fixing: 'nail', each: n % 9 }),
  noWing: (job) => withoutBlock(job, 1),
  name: (job) => ({ ...job, name: `house ${n}` }),
});

const wall = (job: Job, i: number): number => {
  const [a, b] = [job.blocks[0]!.outline[i]!, job.blocks[0]!.outline[i + 1]!];
  return Math.hypot(b[0] - a[0], b[1] - a[1]);
};
const along = (job: Job): number => wall(job, 0);
const across = (job: Job): number => wall(job, 1);
const place = (job: Job, id: string): number => job.openings.findIndex((one) => one.id === id);

/** Every figure of a job by a name that stays its own; of an outline, lengths of its walls and where it lies. */
const figures = (job: Job): Map<string, string> => {
  const found = new Map<string, string>();
  const put = (name: string, value: unknown): void => {
    if (typeof value !== 'object' || value === null) found.set(name, String(value));
    else if (name.endsWith('.outline')) {
      for (const [i, [x, y]] of (value as [number, number][]).entries()) {
        const next = (value as [number, number][])[(i + 1) % (value as unknown[]).length]!;
        found.set(`${name}.${i}.x`, (next[0] - x).toFixed(3));
        found.set(`${name}.${i}.y`, (next[1] - y).toFixed(3));
      }
    } else
      for (const [key, one] of Object.entries(value)) {
        const own = one as { id?: string; block?: string; side?: number; place?: string };
        const named =
          Array.isArray(value) && typeof one === 'object'
            ? (own.id ??
              own.place ??
              (own.block === undefined ? key : `${own.block}/${own.side ?? ''}`))
            : key;
        put(`${name}.${named}`, one);
      }
  };
  put('', job);
  return found;
};

const pair = fc.record({
  one: fc.constantFrom(...Object.keys(edits(0))),
  other: fc.constantFrom(...Object.keys(edits(0))),
  p: fc.integer({ min: 1, max: 900 }),
  q: fc.integer({ min: 1, max: 900 }),
});

it('two edits come to the same in either order, and what they do not share is asked of nobody', () => {
  let asked = 0;
  let both = 0;
  fc.assert(
    fc.property(pair, ({ one, other, p, q }) => {
      const [mine, theirs] = [edits(p)[one]!(house), edits(q)[other]!(house)].map(read) as [
        Job,
        Job,
      ];
      const [here, there] = [merged(house, mine, theirs), merged(house, theirs, mine)];
      expect(here.clashes.length).toBe(there.clashes.length);
      if (here.clashes.length > 0) {
        asked += 1;
        // Only what touches the same is asked: an edit beside itself, or of what the other takes away.
        const [was, own, theirOwn] = [house, mine, theirs].map(figures);
        const shared = [...new Set([...was!.keys(), ...own!.keys(), ...theirOwn!.keys()])].filter(
          (name) => own!.get(name) !== was!.get(name) && theirOwn!.get(name) !== was!.get(name),
        );
        expect([
          one,
          other,
          shared.length > 0 || one.startsWith('no') || other.startsWith('no'),
        ]).toEqual([one, other, true]);
        expect(merged(house, mine, theirs, 'theirs').job).toEqual(there.job);
        return;
      }
      both += 1;
      expect(here.job).toEqual(there.job);
      // What either changed stands; what neither changed is as it was.
      const [was, own, theirOwn, now] = [house, mine, theirs, here.job].map(figures);
      const names = [...new Set([...was!.keys(), ...own!.keys(), ...theirOwn!.keys()])].filter(
        (name) => !/\.openings\..*\.name$/.test(name),
      );
      const wanted = (name: string): string | undefined =>
        own!.get(name) === was!.get(name) ? theirOwn!.get(name) : own!.get(name);
      expect(names.map((name) => [name, now!.get(name)])).toEqual(
        names.map((name) => [name, wanted(name)]),
      );
    }),
    { seed: seeded(27), numRuns: runs(500) },
  );
  expect(both).toBeGreaterThan(runs(300));
  expect(asked).toBeGreaterThan(20);
});

it('a wall along and a wall across both stand, and the wing goes with its own', () => {
  const [longer, wider] = [edits(600)['along']!(house), edits(400)['across']!(house)];
  const { job, clashes } = merged(house, longer, wider);
  expect(clashes).toEqual([]);
  expect([along(job), across(job)]).toEqual([12_600, 7400]);
  expect(job.blocks[1]).toEqual(resized(longer, 0, [12_600, 7400]).blocks[1]);
});

it('one wall that both changed is asked by its name, and either answer keeps the rest', () => {
  const mine = read({ ...edits(500)['along']!(house), about: 'mine' });
  const theirs = read(edits(300)['spacing']!(edits(250)['along']!(house)));
  const { clashes, job } = merged(house, mine, theirs);
  expect(clashes.map(({ path }) => path)).toEqual([
    ['blocks', 0, 'outline', 0],
    ['blocks', 0, 'outline', 2],
  ]);
  expect([along(job), job.about, job.framing.spacing]).toEqual([12_500, 'mine', 600]);
  const other = merged(house, mine, theirs, 'theirs').job;
  expect([along(other), other.about, other.framing.spacing]).toEqual([12_250, 'mine', 600]);
});

it('taking one’s own entry back leaves what others did since', () => {
  const mine = edits(500)['along']!(house);
  const since = edits(77)['spacing']!(edits(40)['across']!(mine));
  const { job, clashes } = merged(mine, house, since);
  expect(clashes).toEqual([]);
  expect([along(job), across(job), job.framing.spacing]).toEqual([12_000, 7040, 377]);
});

it('two openings that two people made at once both stand, under names of their own', () => {
  const [mine, theirs] = [withOpening(house, 0, 'mine'), withOpening(house, 0, 'theirs')];
  const { job, clashes } = merged(house, mine, theirs);
  expect(clashes).toEqual([]);
  expect(job.openings.map(({ id }) => id)).toEqual(['first', 'second', 'mine', 'theirs']);
  expect(new Set(job.openings.map(({ name }) => name)).size).toBe(4);
});

it('two parts that two people added under one name both stand, with what stands on them', () => {
  const plain = read(newJob('house', display, 12_000, 7000, '40°'));
  const winged = (from: number) => {
    const wing = withWing(plain, 0, 0, { width: 3000, projection: 2500, fromCorner: from });
    return read(withPurlins(wing, 'wing', { at: 0.5, set: 'canted' }));
  };
  const [mine, theirs] = [winged(1000), winged(7000)];
  const { job, clashes, renamed } = merged(plain, mine, theirs);
  expect(clashes).toEqual([]);
  // Theirs keeps its name: others know it by that already.
  expect(renamed).toEqual([['wing', 'wing 2']]);
  expect([job.blocks[1], job.blocks[2]]).toEqual([
    theirs.blocks[1],
    { ...mine.blocks[1], id: 'wing 2' },
  ]);
  expect(job.blocks.map(({ id }) => id)).toEqual(['main', 'wing', 'wing 2']);
  expect(job.purlins.map(({ block, side }) => `${block} ${side}`).sort()).toEqual([
    'wing 1',
    'wing 2 1',
    'wing 2 3',
    'wing 3',
  ]);
  expect(read(job).blocks).toHaveLength(3);
  // Who added the very same has added one.
  expect(merged(plain, mine, winged(1000)).job).toEqual(mine);
});

it('a file without ids is numbered by whoever reads it alike, and no id stands twice', () => {
  const bare = { ...house, openings: house.openings.map(({ id: _id, ...rest }) => rest) };
  expect(read(bare).openings.map(({ id }) => id)).toEqual(['o1', 'o2']);
  const twice = { ...house, openings: house.openings.map((one) => ({ ...one, id: 'o1' })) };
  expect(read(twice).openings.map(({ id }) => id)).toEqual(['o1', 'o2']);
});
