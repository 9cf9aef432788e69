import { capital } from '../terms';
import type { Job } from '../job';
import type { BoardMark3, EdgePoint, SawLine, SawStep } from '../steps';
import { atLeast } from './boards';
import { formatDegrees, formatLength, lengthFormat } from '../units';

/** How the crew marks an angle: by the square's pair, by degrees, or by two readings joined. */
export type AngleWay = NonNullable<Job['framing']['angles']>;

/** The crew's choice; where it made none, the way it gives its pitches. */
export const angleWay = ({ framing, display }: Pick<Job, 'framing' | 'display'>): AngleWay =>
  framing.angles ?? (display.pitch === 'in12' ? 'square' : 'degrees');

interface Voice {
  readonly display: Job['display'];
  readonly way: AngleWay;
}

const trim = (value: number): string => String(Number(value.toFixed(2)));

const length = (mm: number, { display }: Voice): string => formatLength(mm, lengthFormat(display));

/** A place on the edge of the board, as the tape finds it. */
const place = ({ on, mm }: EdgePoint, voice: Voice): string =>
  on === 'top edge' || on === 'bottom edge'
    ? `${length(mm, voice)} on the ${on}`
    : `${length(mm, voice)} down the ${on}`;

/** The line on the face, by the crew's way, and which way it leans. */
const marking = (line: SawLine, voice: Voice): string => {
  const { from, to, angleDeg, square, shortAt } = line;
  if (shortAt === null) return `${place(from, voice)}, square across the face`;
  const lean = `short end at the ${shortAt}`;
  if (voice.way === 'two-readings')
    return `${place(from, voice)}, joined to ${place(to, voice)}; ${lean}`;
  if (voice.way === 'square' && square !== null)
    return `${place(from, voice)}, square held at ${trim(square.rise)} / ${trim(square.run)}, marked along the ${square.leg}; ${lean}`;
  return `${place(from, voice)}, ${formatDegrees(angleDeg)} from square across; ${lean}`;
};

/** How the saw stands, and where it comes out behind. */
const saw = ({ tiltDeg, leansTo }: SawLine): string =>
  leansTo === null
    ? 'saw upright'
    : `saw tilted ${formatDegrees(tiltDeg)}, so that behind it comes out nearer the ${leansTo}`;

const mark3 = ({ alongMm, acrossMm, downMm }: BoardMark3, voice: Voice): string =>
  `${length(alongMm, voice)} along, ${length(acrossMm, voice)} across, ${length(downMm, voice)} down`;

const ONE_OF = ['', ' (first of two)', ' (second of two)'] as const;

const ordinal = (nth: number, of: number): string =>
  of === 1 ? '' : of === 2 ? (ONE_OF[nth] ?? '') : ` (${nth} of ${of})`;

type Notch = Extract<SawStep, { act: 'notch' }>;

/** From one line to the board's end, a scarf's half or the lip under a hip: to a depth across, then along to the end. */
const toTheEnd = (
  first: string,
  second: string,
  { opens, seat, heels }: Notch,
  voice: Voice,
): string[] => [
  ...heels.map(
    ({ line }) => `${first}: ${marking(line, voice)}; ${saw(line)}. To the next line only.`,
  ),
  `${second}: ${marking(seat.line, voice)}; ${saw(seat.line)}. What lies ${opens === 'top' ? 'above' : 'below'} this line falls off, from the line before to the end.`,
];

/** What is let through a rafter's top: two lines, the wood between them out to a depth. */
const housingWords = ({ seat, heels }: Notch, voice: Voice): string[] => {
  const [first, second] = heels;
  return first === undefined || second === undefined
    ? []
    : [
        `Housing for the lookout: ${marking(first.line, voice)}, and again at ${place(second.line.from, voice)}; saw upright, both ${length(seat.line.from.mm, voice)} deep from the top edge. Chisel out what lies between, no deeper: it weakens the rafter.`,
      ];
};

/** Half of what wedges are driven through, out of the splay of a scarf. */
const slotWords = ({ seat, heels }: Notch, voice: Voice): string[] => {
  const [first, second] = heels;
  return first === undefined || second === undefined
    ? []
    : [
        `Slot for the wedges: ${marking(first.line, voice)}; ${saw(first.line)}. And again at ${place(second.line.from, voice)}.`,
        `Slot’s bottom: ${marking(seat.line, voice)}. Chisel out what lies between the two, from the splay to this line.`,
      ];
};

const notchWords = ({ for: over, upper, seat, heels, downMm }: Notch, voice: Voice): string[] => {
  const on = upper ? ' over the upper wall' : over === 'plate' ? '' : ` over the ${over}`;
  const corner = 'Saw to the corner and no further: past it the notch starts a split.';
  if (heels.length === 0)
    return [
      `Seat${on}: ${marking(seat.line, voice)}; ${saw(seat.line)}. There is no heel: what lies below the line falls off.`,
    ];
  const lines = heels.map(
    ({ line }, i) =>
      `Heel${on}${ordinal(i + 1, heels.length)}: ${marking(line, voice)}; ${saw(line)}.`,
  );
  const down =
    downMm === null
      ? ''
      : ` It crosses the heel ${length(downMm, voice)} down that line from the top edge.`;
  return [
    ...lines,
    `Seat${on}: ${marking(seat.line, voice)}; ${saw(seat.line)}.${down} ${heels.length > 1 ? 'The two heels meet in the middle of the board, where the plates’ corner goes. ' : ''}${corner}`,
  ];
};

/** The notch of a stud round the rafter it stands beside: across to a depth, then along to the end. */
const roundWords = ({ seat, heels: [along] }: Notch, voice: Voice): string[] =>
  along === undefined
    ? []
    : [
        `Notch round the rafter: ${marking(seat.line, voice)}; ${saw(seat.line)}, ${length(along.line.from.mm, voice)} deep from the top edge. Then rip from the upper end down to it, ${length(along.line.from.mm, voice)} in from that edge; the strip between falls off.`,
      ];

const notchStep = (step: Notch, voice: Voice): string[] => {
  switch (step.for) {
    case 'lip':
      return toTheEnd('Lip, where the side of what passes over comes', 'Lip', step, voice);
    case 'scarf':
      return toTheEnd('Abutment of the scarf', 'Scarf', step, voice);
    case 'housing':
      return housingWords(step, voice);
    case 'slot':
      return slotWords(step, voice);
    case 'rafter':
      return roundWords(step, voice);
    case 'plate':
    case 'purlin':
    case 'ledger':
      return notchWords(step, voice);
  }
};

type Plane = Extract<SawStep, { act: 'plane' }>;

const planeWords = ({ through, angleDeg, face, backing, past }: Plane, voice: Voice): string => {
  const side = face === 'near' ? 'left' : 'right';
  if (backing)
    return `Back the top edge: from its middle line bevel ${formatDegrees(angleDeg)} down to the ${side} face, all along.`;
  const marks = through.map((mark) => mark3(mark, voice)).join('; ');
  const where =
    past === null
      ? ''
      : ` past the line at ${place(past.line.from, voice)}, towards the ${past.towards},`;
  return `Plane the ${side} top corner off${where} to the flat through three marks, each from the upper end, the left face and the top edge: ${marks}.`;
};

const wordsOf = (step: SawStep, voice: Voice): string[] => {
  switch (step.act) {
    case 'take':
      return [
        `Take a board at least ${atLeast(step.lengthMm, voice.display)} long. Sight along it and turn the crown up.`,
      ];
    case 'lay':
      return [
        'Lay it left face towards you, upper end at your left. Hook the tape on the upper end.',
      ];
    case 'turn':
      return [
        'Turn the board end for end, crown still up: right face towards you, upper end at your right. Measure from the upper end as before.',
      ];
    case 'cut':
      return [
        `${capital(step.name)}${ordinal(step.nth, step.of)}: ${marking(step.line, voice)}; ${saw(step.line)}. The ${step.line.waste} falls off.`,
      ];
    case 'notch':
      return notchStep(step, voice);
    case 'plane':
      return [planeWords(step, voice)];
  }
};

/** What the hands do, in words, in order. */
export const stepWords = (steps: readonly SawStep[], mark: string, voice: Voice): string[] => [
  ...steps.flatMap((step) => wordsOf(step, voice)),
  `Pencil ${mark} on it before it leaves the trestles.`,
];
