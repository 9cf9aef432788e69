import {
  formatDegrees,
  formatLength,
  lengthFormat,
  type CutEntry,
  type CutListEntry,
  type Job,
} from '@ogee/core';
import { faceSetting, isTilted } from './angle-text';

type Display = Job['display'];

/** How to hold the square, or the line, for one cut. */
const setting = (cut: CutEntry, display: Display): string => {
  const face = faceSetting(cut, display);
  if (face === 'square across') return 'square across the face';
  const level = cut.at === 'seat';
  return display.pitch === 'in12' && cut.square !== null
    ? `square held at ${face}, mark along the ${level ? 'run' : 'rise'} leg`
    : `${face} from square across`;
};

const tilt = (cut: CutEntry): string =>
  isTilted(cut) ? `; saw tilted ${formatDegrees(cut.faceTilt)}` : '; saw upright';

const at = (entry: CutListEntry, index: number, mirrored: boolean, display: Display): string => {
  const edge = entry.board.marks.find((mark) => mark.cut === index)?.topEdge;
  // Of a double cut one cheek comes out on the near face, the other on the far one.
  const reading = edge?.[mirrored ? 1 : 0] ?? edge?.[mirrored ? 0 : 1];
  return reading == null ? '' : formatLength(reading, lengthFormat(display));
};

const endSteps = (entry: CutListEntry, mirrored: boolean, display: Display): string[] => {
  const steps: string[] = [];
  for (const [i, cut] of entry.cuts.entries()) {
    const before = entry.cuts[i - 1];
    const double = before?.at === cut.at;
    const where = at(entry, i, mirrored, display);
    if (cut.at === 'seat') continue;
    if (cut.at === 'heel') {
      const seat = entry.cuts.find((one) => one.at === 'seat');
      steps.push(
        `Heel: from ${where} on the top edge, ${setting(cut, display)}, right across the face. ` +
          (entry.seat === null || seat === undefined
            ? ''
            : `Down it from the top edge measure ${formatLength(entry.seat.hap, lengthFormat(display))}, the height above plate; from there the seat, ${setting(seat, display)}, out to the lower edge. Saw to the corner and no further: past it the notch starts a split.`),
      );
    } else if (double) {
      steps.push(
        `Second ${cut.name}: the same on the other face${tilt(cut)}, to meet the first in the middle.`,
      );
    } else {
      steps.push(
        `${cut.name[0]?.toUpperCase() ?? ''}${cut.name.slice(1)}: from ${where} on the top edge, ${setting(cut, display)}${tilt(cut)}.`,
      );
    }
  }
  return steps;
};

/** What the hands do, in order. `mirrored` is for the hand that is not drawn. */
export const stepsFor = (entry: CutListEntry, mirrored: boolean, display: Display): string[] => {
  const blank = formatLength(entry.length.blank, lengthFormat(display));
  const steps = [
    `Take a board at least ${blank} long. Sight along it and turn the crown up.`,
    `Lay it ${mirrored ? 'right' : 'left'} face towards you, upper end at your left. Hook the tape on the upper end.`,
    ...endSteps(entry, mirrored, display),
  ];
  if (entry.backing !== null && entry.drop === 0 && entry.cuts.some((cut) => cut.at === 'seat')) {
    steps.push(
      `Back the top edge: bevel ${formatDegrees(entry.backing[0])} and ${formatDegrees(entry.backing[1])} from its middle line, if the hip is to be backed.`,
    );
  }
  steps.push(`Pencil ${entry.mark} on it before it leaves the trestles.`);
  return steps;
};
