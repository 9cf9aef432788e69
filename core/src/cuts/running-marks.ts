import type { Member } from '../frame';
import { SLACK_MM, v2, v3 } from '../geom';
import type { Job } from '../job';
import { purlinRows, purlinsOn, type Roof } from '../roof';
import { isRafter, isRow } from '../kinds';
import type { CutList, CutListEntry, RunningMarks } from './model';

/** Of the purlins of a side, the mark of one that lies on a row; they differ along it only in length. */
const markOn = (
  members: readonly Member[],
  lines: readonly CutListEntry[],
  inMm: (member: Member) => number,
  distance: number,
): string | null => {
  const on = members.find((member) => Math.abs(inMm(member) - distance) < ON_ROW_MM);
  return lines.find((line) => on !== undefined && line.members.includes(on.id))?.mark ?? null;
};

/** A purlin's line this near a row's is the row's. mm */
const ON_ROW_MM = SLACK_MM.nothing;

/**
 * Where purlins over or between the rafters are marked: up each rafter from the tail's top corner, and down a roofing
 * sheet from its lower edge, which overhangs the first of them by what the crew gives it. A tape each for every side.
 */
export const runningMarks = (
  job: Job,
  roof: Roof,
  members: readonly Member[],
  lines: readonly CutListEntry[],
): RunningMarks[] =>
  roof.blocks.flatMap((block) =>
    block.sides.flatMap((line): RunningMarks[] => {
      const own = line.roof === 'eave' ? purlinsOn(job, block.id, line.index) : null;
      if (own === null) return [];
      const lain = members.filter(
        (member) => isRow(member) && member.block === block.id && member.side === line.index,
      );
      const inMm = ({ frame: { origin } }: Member): number =>
        v2.dot(v2.sub(v3.inPlan(origin), line.start), line.inward);
      const rows = purlinRows(roof, block, line.index, own.set).flatMap(({ along, distance }) => {
        const mark = markOn(lain, lines, inMm, distance);
        return mark === null ? [] : [{ mm: along, mark, edge: 'centre' as const }];
      });
      const [first] = rows;
      if (first === undefined) return [];
      const of = `${block.id}.${line.index}`;
      const foot = line.overhangMm > 0 ? 'the tail’s top corner' : 'the plate’s line';
      return [
        { on: 'rafter', of, from: `${foot}, up the top edge`, at: rows },
        {
          on: 'sheet',
          of,
          from: 'the middle of the first purlin, up the sheet',
          at: rows.map((row) => ({ ...row, mm: row.mm - first.mm })),
        },
      ];
    }),
  );

/** The tapes of a line of the list: up the rafter for those that have a tail, and all that a purlin lies on. */
export const tapesOf = (
  { marks }: Pick<CutList, 'marks'>,
  { kind, block, side, seat, mark }: CutListEntry,
): RunningMarks[] => {
  const own = marks.filter(({ of }) => of === `${block}.${side ?? ''}`);
  if (isRafter({ kind })) return seat === null ? [] : own.filter(({ on }) => on === 'rafter');
  const along = own.filter(({ on }) => on === 'rafter' || on === 'sheet');
  return along.filter(({ at }) => at.some((one) => one.mark === mark));
};
