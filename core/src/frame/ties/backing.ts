import { SLACK_SINE, chordWithin, v2, v3, type Interval, type Vec3 } from '../../geom';
import { plateWidthOf, type Stock } from '../../job';
import { isPost, isRafter, isTie } from '../../kinds';
import { gablePlatesOf, type Plate } from '../../roof';
import { inMm, mostMm, say } from '../../sentence';
import { cutBetween, gapsAlong, type Gap } from '../joint/between';
import { facesOf } from '../joint/in-space';
import { plumbKeep } from '../member/board';
import { makeMember, axisOf, memberId, type Member } from '../member/member';
import { wholly, type Added, type Pass } from '../pass';
import { runFrom, type Site } from '../site';

/** How far it sticks out inside its plate, for the edge of a ceiling's board. mm */
const LEDGE_MM = 50;
/** What of it lies on the plate, at least. mm */
const LEAST_ON_MM = 25;
/** No timber that stands across is thinner: as near are the lines that it is looked for on. mm */
const THINNEST_MM = 12;
/** Just inside its edges. mm */
const INSIDE_MM = 3;
/** A tie that turns further than this from a wall, as a sine, does not run beside it. */
const ALONG = SLACK_SINE.along;
/** Shorter stretches of wall want none. mm */
const SHORTEST_MM = 60;

/** The plates that ties run beside: those of gables, and of hips' ends where no short joists lie. */
const wallsOf = (site: Site, ties: readonly Member[]): Plate[] =>
  [...site.plates, ...gablePlatesOf(site.job, site.roof)].filter(({ block, line }) => {
    const own = ties.filter((tie) => tie.block === block);
    const turn = ({ frame }: Member): number => Math.abs(v2.dot(v3.inPlan(frame.a), line.inward));
    const endsOn = ({ frame, axis }: Member): boolean =>
      [0, axis.runMm].some(
        (t) => Math.abs(runFrom(line, v3.inPlan(v3.add(frame.origin, v3.scale(frame.a, t))))) < 1,
      );
    return (
      own.some((tie) => turn(tie) < ALONG) && !own.some((tie) => turn(tie) > ALONG && endsOn(tie))
    );
  });

/** How far along its wall a plate reaches at its inner edge. mm */
const reachOf = ({ line, outline }: Plate): Interval => {
  const inner = Math.max(...outline.map((p) => runFrom(line, p)));
  const us = outline
    .filter((p) => Math.abs(runFrom(line, p) - inner) < 1)
    .map((p) => v2.dot(v2.sub(p, line.start), line.along));
  return [Math.min(...us), Math.max(...us)];
};

/** Flat along a plate between what stands on it, its inner edge inside the wall. */
const backingIn = (
  plate: Plate,
  stock: Stock,
  inner: number,
  gap: Gap | Interval,
  timbers: readonly Member[],
): Member | null => {
  const { block, side, line, topMm } = plate;
  const middle = inner - stock.depth / 2;
  const [x, y] = v2.add(line.start, v2.scale(line.inward, middle));
  const a: Vec3 = [line.along[0], line.along[1], 0];
  // Its wide face lies on the plate: its edge looks into the house.
  const e: Vec3 = [line.inward[0], line.inward[1], 0];
  const origin: Vec3 = [x, y, topMm + stock.thickness / 2];
  const frame = { origin, a, e, s: v3.cross(e, a) };
  const make = (ends: Member['ends'], from: number, to: number): Member =>
    makeMember({
      id: '',
      kind: 'backing',
      block,
      side,
      stock,
      frame: { ...frame, origin: v3.add(origin, v3.scale(a, from)) },
      topMm: stock.depth / 2,
      ends,
      axis: axisOf(to - from, 0),
      pair: { rise: 0, run: 1 },
    });
  if ('low' in gap)
    return cutBetween({ frame, middle: origin }, gap, 2 * stock.depth, timbers, (ends) =>
      make(ends, gap.from, gap.to),
    );
  const [from, to] = gap;
  const end = (at: 'top' | 'bottom', t: number): Member['ends'][number] => ({
    at,
    name: 'end cut',
    keep: plumbKeep(
      v2.add([x, y], v2.scale(line.along, t)),
      v2.scale(line.along, at === 'top' ? 1 : -1),
    ),
    meets: null,
  });
  return make([end('top', to), end('bottom', from)], from, to);
};

/** The stretches of a plate that are free, each with what bounds it, or none where nothing stands there. */
const freeOf = (
  plate: Plate,
  stock: Stock,
  inner: number,
  timbers: readonly Member[],
): (Gap | Interval)[] => {
  const { line, topMm } = plate;
  const a: Vec3 = [line.along[0], line.along[1], 0];
  const wide = stock.depth - 2 * INSIDE_MM;
  const lines = Math.ceil(wide / THINNEST_MM);
  const across = Array.from(
    { length: lines + 1 },
    (_, i) => inner - stock.depth + INSIDE_MM + (wide * i) / lines,
  );
  const reads = across.flatMap((inward): Vec3[] => {
    const [x, y] = v2.add(line.start, v2.scale(line.inward, inward));
    return [
      [x, y, topMm + INSIDE_MM],
      [x, y, topMm + stock.thickness - INSIDE_MM],
    ];
  });
  const reach = reachOf(plate);
  const gaps = gapsAlong(reads, a, reach, stock.depth, timbers);
  if (gaps.length > 0) return gaps;
  // A tie that lies in its place all along carries the ceiling's edge itself.
  const held = timbers.some((member) =>
    facesOf(member).some((piece) =>
      reads.some((from) => {
        const chord = chordWithin(piece, from, a);
        return chord !== null && chord[0] < reach[1] && chord[1] > reach[0];
      }),
    ),
  );
  if (held) return [];
  return reach[1] - reach[0] > SHORTEST_MM ? [reach] : [];
};

/** Boards flat along the plates beside the ties, for the ceiling's edge, where the crew wants them. */
export const backing: Pass = (site, _primary, before): Added => {
  const stock = site.job.timber.backing;
  const ties = before.filter(({ kind }) => kind === 'rafter-tie');
  if (stock === undefined || ties.length === 0) return { members: [], problems: [] };
  const width = plateWidthOf(site.job);
  const [least, most] = [LEDGE_MM + LEAST_ON_MM, width + LEDGE_MM];
  if (stock.depth < least || stock.depth > most)
    return {
      members: [],
      problems: [],
      withheld: [
        wholly({
          code: 'size',
          path: ['timber', 'backing', 'depth'],
          text: say`${inMm(stock.depth)} wide it would ${stock.depth < least ? 'hardly lie on the ‹plate›' : 'stick out past the wall'}, ${inMm(LEDGE_MM)} of it inside; accepted is ${inMm(least)} to ${mostMm(most)}`,
        }),
      ],
    };
  const timbers = before.filter(
    (member) => isRafter(member) || isTie(member) || isPost(member) || BESIDE.has(member.kind),
  );
  const members = wallsOf(site, ties).flatMap((plate, which) => {
    const inner = width + LEDGE_MM;
    return freeOf(plate, stock, inner, timbers).flatMap((gap, i): Member[] => {
      const member = backingIn(plate, stock, inner, gap, timbers);
      const id = memberId(plate.block, 'backing', plate.side, which, i);
      return member === null || member.axis.runMm < SHORTEST_MM ? [] : [{ ...member, id }];
    });
  });
  return { members, problems: [] };
};

/** What else stands in its way on a plate. */
const BESIDE: ReadonlySet<Member['kind']> = new Set(['hip', 'valley', 'blocking']);
