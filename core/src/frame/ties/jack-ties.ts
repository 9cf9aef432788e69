import { v2, v3 } from '../../geom';
import { roofAbout } from '../../roof';
import type { Member } from '../member/member';
import type { Added, Pass } from '../pass';
import { blockAt, type Site } from '../site';
import { wholeLie } from './joists';
import { flatOn, hasRoom, tieAt } from './lie';
import { jackPairs, type Pair } from './pairs';

/** Whether a tie keeps under the roof between its clipped ends: at a hip's end the third slope falls over it. */
const underRoof = ({ roof }: Site, { frame, stock, axis, block }: Member): boolean =>
  [0.25, 0.5, 0.75].every((share) =>
    [0.5, -0.5].every((side) => {
      const p = v3.add(
        v3.add(frame.origin, v3.scale(frame.a, share * axis.runMm)),
        v3.scale(frame.s, side * stock.thickness),
      );
      return roofAbout(roof, v3.inPlan(p), block, null).z > p[2] + stock.depth;
    }),
  );

/** The middle of a pair's part, along its walls. mm */
const middleOf = (site: Site, { along, rafters: [{ span }] }: Pair): number => {
  const ts = blockAt(site, span.block).sides.map(({ start }) => v2.dot(start, along));
  return (Math.min(...ts) + Math.max(...ts)) / 2;
};

/**
 * Past the ridge, at a hip's end: whole ties between opposite hip jacks, on the face that looks to the building's middle
 * first, as far as the end's slope leaves them room.
 */
export const jackTies: Pass = (site, primary, before): Added => {
  const { rafterTies: ties, timber } = site.job;
  const wanted = ties?.atHips === 'long' || ties?.atHips === 'both';
  const members: Member[] = [];
  for (const pair of wanted ? jackPairs(primary) : []) {
    const lie = timber.rafterTie === undefined ? null : wholeLie(timber.rafterTie, pair);
    if (lie === null) continue;
    const inner = Math.sign(middleOf(site, pair) - pair.at) || 1;
    const at = (way: number): Member => {
      const tie = tieAt(pair, lie, way * flatOn(lie, timber.common), members.length);
      return { ...tie, id: `${tie.id}.long` };
    };
    const found = [at(inner), at(-inner)].find(
      (tie) => hasRoom(site, [tie], [...before, ...members]) && underRoof(site, tie),
    );
    if (found !== undefined) members.push(found);
  }
  return { members, problems: [] };
};
