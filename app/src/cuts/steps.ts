import {
  formatDegrees,
  formatLength,
  lengthFormat,
  type BoardDrawing,
  type BoardMark,
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

/** How the saw stands, and which way it leans, seen from the face towards you. */
const tilt = (cut: CutEntry, edge: BoardMark['topEdge'] | undefined, mirrored: boolean): string => {
  if (!isTilted(cut)) return 'saw upright';
  const [near, far] = [edge?.[mirrored ? 1 : 0], edge?.[mirrored ? 0 : 1]];
  const lean =
    near == null || far == null
      ? 'to meet the other cheek in the middle'
      : near < far === (cut.at === 'top')
        ? 'leaning in, so that the far face ends shorter'
        : 'leaning out, so that the far face ends longer';
  return `saw tilted ${formatDegrees(cut.faceTilt)}, ${lean}`;
};

const at = (
  edge: BoardMark['topEdge'] | undefined,
  mirrored: boolean,
  display: Display,
): string => {
  // Of a double cut one cheek comes out on the near face, the other on the far one.
  const reading = edge?.[mirrored ? 1 : 0] ?? edge?.[mirrored ? 0 : 1];
  return reading == null ? '' : formatLength(reading, lengthFormat(display));
};

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const heelSteps = (
  entry: CutListEntry,
  where: string,
  heel: CutEntry,
  display: Display,
): string[] => {
  const line = `Heel: from ${where} on the top edge, ${setting(heel, display)}, across the face.`;
  const seat = entry.cuts.find((one) => one.at === 'seat');
  if (entry.seat === null || seat === undefined) return [line];
  const down = formatLength(entry.seat.hap, lengthFormat(display));
  return [
    line,
    `Seat: measure ${down} down the heel line from the top edge, the height above plate. From there ${setting(seat, display)}, out to the lower edge. Saw to the corner and no further: past it the notch starts a split.`,
  ];
};

const cutSteps = (
  entry: CutListEntry,
  { marks }: BoardDrawing,
  mirrored: boolean,
  display: Display,
): string[] =>
  entry.cuts.flatMap((cut, i) => {
    if (cut.at === 'seat') return [];
    const edge = marks.find((mark) => mark.cut === i)?.topEdge;
    const where = at(edge, mirrored, display);
    if (cut.at === 'heel') return heelSteps(entry, where, cut, display);
    const saw = tilt(cut, edge, mirrored);
    return entry.cuts[i - 1]?.at === cut.at
      ? [`Turn the board. Second ${cut.name}: from ${where}, ${setting(cut, display)}; ${saw}.`]
      : [`${capital(cut.name)}: from ${where} on the top edge, ${setting(cut, display)}; ${saw}.`];
  });

/** What the hands do, in order. `mirrored` is for the hand that is not drawn; `backed` bevels a hip's top. */
export const stepsFor = (
  entry: CutListEntry,
  board: BoardDrawing,
  mirrored: boolean,
  backed: boolean,
  display: Display,
): string[] => {
  const blank = formatLength(entry.length.blank, lengthFormat(display));
  const steps = [
    `Take a board at least ${blank} long. Sight along it and turn the crown up.`,
    `Lay it ${mirrored ? 'right' : 'left'} face towards you, upper end at your left. Hook the tape on the upper end.`,
    ...cutSteps(entry, board, mirrored, display),
  ];
  if (entry.backing !== null && backed) {
    steps.push(
      `Back the top edge: bevel ${formatDegrees(entry.backing[0])} and ${formatDegrees(entry.backing[1])} down from its middle line.`,
    );
  }
  steps.push(`Pencil ${entry.mark} on it before it leaves the trestles.`);
  return steps;
};
