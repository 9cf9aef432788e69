import { SLACK_SINE, SLACK_MM, v2, v3, type Vec3 } from '../geom';
import { boardOf, pieceOf, span, type BoardMark } from '../cuts';
import { isUpper, solidOf, type Bevel, type Member } from '../frame';
import { degrees } from '../units';
import type { SawStep } from './model';
import { boardMark, faceAt, sawLine, type Blank } from './saw-line';

/** Three marks that lie nearer to one line than this, as a sine, settle no plane. */
const FLAT = SLACK_SINE.flat;
/** A backing starts this near the middle of the top. mm */
const MIDDLE_MM = SLACK_MM.beside;

const blankOf = (member: Member, mirrored: boolean): Blank => {
  const { reaches } = pieceOf(member);
  const [low, high] = span(member);
  return {
    upperA: high,
    lengthMm: Math.max(high - low, reaches.longest.length),
    topE: member.topMm,
    depthMm: member.stock.depth,
    halfMm: member.stock.thickness / 2,
    mirrored,
  };
};

/** Of a flat's corners, three that settle it best: the first, the furthest from it, and the furthest from their line. */
const threeOf = (points: readonly Vec3[]): readonly [Vec3, Vec3, Vec3] | null => {
  const [first] = points;
  if (first === undefined) return null;
  const furthest = (far: (p: Vec3) => number): Vec3 =>
    points.reduce((p, q) => (far(q) > far(p) ? q : p), first);
  const second = furthest((p) => v3.distance(p, first));
  const long = v3.sub(second, first);
  if (v3.length(long) === 0) return null;
  const third = furthest((p) => v3.length(v3.cross(long, v3.sub(p, first))));
  const aside = v3.length(v3.cross(long, v3.sub(third, first))) / v3.length(long) ** 2;
  return aside < FLAT / 10 ? null : [first, second, third];
};

/** The flats that are planed off the top. */
const planed = (member: Member, blank: Blank): SawStep[] => {
  const local = (bevel: Bevel): Vec3 => {
    const { normal } = bevel.keep;
    const { a, s, e } = member.frame;
    return [v3.dot(normal, a), v3.dot(normal, s), v3.dot(normal, e)];
  };
  return member.bevels.flatMap((bevel): SawStep[] => {
    const normal = local(bevel);
    const corners = solidOf(member).flatMap((piece) =>
      piece.flatMap(({ tag, points }) => (tag === bevel ? points : [])),
    );
    const three = threeOf(corners);
    if (three === null) return [];
    const [p, q, r] = three;
    const line = bevel.beyond === null ? null : sawLine(member, blank, bevel.beyond, 'near');
    const middle = corners.filter(([, s]) => Math.abs(s) < MIDDLE_MM).length >= 2;
    const backing = member.kind === 'hip' && middle && Math.abs(normal[0]) < FLAT;
    return [
      {
        act: 'plane',
        through: [boardMark(blank, p), boardMark(blank, q), boardMark(blank, r)],
        angleDeg: degrees(Math.acos(Math.min(1, normal[2]))),
        face: faceAt(blank, normal[1]),
        backing,
        past:
          line === null
            ? null
            : { line, towards: line.waste === 'upper end' ? 'upper end' : 'lower end' },
      },
    ];
  });
};

/** The face towards you that a cut comes out on, else the other. */
const wantedFace = (mark: BoardMark | undefined, mirrored: boolean): 'near' | 'far' => {
  const [near, far] = mirrored ? [mark?.right, mark?.left] : [mark?.left, mark?.right];
  return near == null && far != null ? 'far' : 'near';
};

type CutStep = Extract<SawStep, { act: 'cut' }>;
type NotchStep = Extract<SawStep, { act: 'notch' }>;

/**
 * What the hands do to saw a member, in order.
 *
 * @param mirrored the other hand of the line that the member is cut to
 * @returns data alone: the words are made at the edge, and a program can saw by them
 */
export const stepsOf = (member: Member, mirrored: boolean): SawStep[] => {
  const { cuts } = pieceOf(member);
  const { marks } = boardOf(member);
  const blank = blankOf(member, mirrored);
  const lineOf = (index: number) => {
    const cut = cuts[index];
    const mark = marks.find((one) => one.cut === index);
    return cut === undefined
      ? null
      : sawLine(member, blank, cut.end.keep, wantedFace(mark, mirrored));
  };
  const straight = cuts.flatMap(({ end }, cut): CutStep[] => {
    // Where a cut has a name on each face it is sawn once.
    const twin = cuts.findIndex((other) => other.end.keep === end.keep);
    if (end.at === 'seat' || end.at === 'heel' || twin < cut) return [];
    const line = lineOf(cut);
    if (line === null) return [];
    const same = cuts.filter(
      (other, i) =>
        other.end.at === end.at && cuts.findIndex((one) => one.end.keep === other.end.keep) === i,
    );
    const nth = same.findIndex((other) => other.end === end) + 1;
    return [{ act: 'cut', cut, at: end.at, name: end.name, line, nth, of: same.length }];
  });
  // From the upper end down, as the tape runs.
  const up = v3.inPlan(member.frame.a);
  const fromAbove = member.axis.level
    ? member.notches
    : [...member.notches].sort((p, q) => v2.dot(q.corner, up) - v2.dot(p.corner, up));
  const notches = fromAbove.flatMap((notch): NotchStep[] => {
    const seatAt = cuts.findIndex(({ end }) => end === notch.seat);
    const seat = seatAt < 0 ? null : lineOf(seatAt);
    if (seat === null) return [];
    const heels = notch.heels.flatMap((heel) => {
      const cut = cuts.findIndex(({ end }) => end === heel);
      const line = cut < 0 ? null : lineOf(cut);
      return line === null ? [] : [{ cut, line }];
    });
    return [
      {
        act: 'notch',
        for: notch.for,
        upper: isUpper(notch),
        opens: notch.opens,
        seat: { cut: seatAt, line: seat },
        heels,
        downMm:
          notch.for === 'plate' || notch.for === 'purlin' || notch.for === 'ledger'
            ? downTheHeel(heels[0]?.line, seat, blank)
            : null,
      },
    ];
  });
  const upper = straight.filter(({ at }) => at === 'top');
  const lower = straight.filter(({ at }) => at !== 'top');
  const inOrder: (CutStep | NotchStep)[] = [...upper, ...notches, ...lower];
  const onFar = (step: CutStep | NotchStep): boolean =>
    step.act === 'cut' ? step.line.face === 'far' : step.seat.line.face === 'far';
  const far = inOrder.filter(onFar);
  const { stock } = member;
  return [
    {
      act: 'take',
      lengthMm: blank.lengthMm,
      thicknessMm: stock.thickness,
      depthMm: stock.depth,
    },
    { act: 'lay' },
    ...inOrder.filter((step) => !onFar(step)),
    ...(far.length === 0 ? [] : [{ act: 'turn' } as const, ...far]),
    ...planed(member, blank),
  ];
};

/** Where a heel's line and the seat's cross: down the heel's line, from the top edge. mm */
const downTheHeel = (
  heel: ReturnType<typeof sawLine> | undefined,
  seat: NonNullable<ReturnType<typeof sawLine>>,
  blank: Blank,
): number | null => {
  if (heel == null || heel.face !== seat.face) return null;
  const at = ({ on, mm }: typeof heel.from): readonly [number, number] =>
    on === 'top edge'
      ? [mm, 0]
      : on === 'bottom edge'
        ? [mm, blank.depthMm]
        : [on === 'upper end' ? 0 : blank.lengthMm, mm];
  const [p, q, r, t] = [at(heel.from), at(heel.to), at(seat.from), at(seat.to)];
  const [dx, dy] = [q[0] - p[0], q[1] - p[1]];
  const [ex, ey] = [t[0] - r[0], t[1] - r[1]];
  const det = dx * ey - dy * ex;
  if (det === 0) return null;
  const share = ((r[0] - p[0]) * ey - (r[1] - p[1]) * ex) / det;
  return share * Math.hypot(dx, dy);
};
