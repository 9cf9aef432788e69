import { CUT_ALIKE_MM, SAME_POINT_MM } from '../geom';
import type { Member } from '../frame';
import { notchPlumbDepth, seatOf, upperSeatOf, type Seat } from '../cuts';
import { inMm, say } from '../sentence';
import { caution, note, type Remark, type Subject } from './remark';

/** A notch deeper than this share of the rafter's depth is past the usual limit. */
export const USUAL_NOTCH_SHARE = 0.25;
/** A seat narrower than this is past the usual limit for bearing, mm. */
const USUAL_BEARING_MM = 38;

/** The first member of each distinct make: kind, stock and slope. */
const oneOfEach = (members: readonly Member[], kinds: readonly Member['kind'][]): Member[] => {
  const seen = new Set<string>();
  return members.filter((member) => {
    const { kind, stock, axis, block } = member;
    if (!kinds.includes(kind)) return false;
    const key = [block, stock.depth, axis.slopeRad.toFixed(6)].join(' ');
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
};

/** A share over the usual notch in per cent, never written so short that it reads as the limit itself. */
const percentOver = (share: number): string => {
  const percent = Number((share * 100).toFixed(1));
  return percent > USUAL_NOTCH_SHARE * 100 ? `${percent} %` : `just over ${percent} %`;
};

const noSeat = (member: Member): Remark[] => {
  const notch = member.notches.find((one) => one.for === 'plate');
  return notch === undefined
    ? []
    : [
        caution(
          'no-seat',
          say`the rafter's underside stands ${inMm(-notchPlumbDepth(member, notch), 1)} above its ‹plate›: it has no seat. Use a deeper rafter or a lower ‹height above plate›`,
          member,
        ),
      ];
};

/** Two notches alike are told of once. */
const isLike = (one: Seat | null, other: Seat): boolean =>
  one !== null &&
  Math.abs(one.width.value - other.width.value) < CUT_ALIKE_MM &&
  Math.abs(one.plumbDepth.value - other.plumbDepth.value) < CUT_ALIKE_MM;

export const aboutSeats = ({ job, framing }: Subject): Remark[] =>
  oneOfEach(framing.members, ['common', 'king-common', 'hip-jack']).flatMap((member) => {
    const seat = seatOf(member);
    const upper = upperSeatOf(member);
    return [
      ...(seat === null ? noSeat(member) : aboutSeat(job, member, seat, 'the')),
      ...(upper === null || isLike(seat, upper) ? [] : aboutSeat(job, member, upper, 'the upper')),
    ];
  });

const aboutSeat = (
  { timber: { plateWidth } }: Subject['job'],
  member: Member,
  seat: Seat,
  the: 'the' | 'the upper',
): Remark[] => {
  const remarks: Remark[] = [];
  const share = seat.depthFraction.value;
  const width = seat.width.value;
  if (share > USUAL_NOTCH_SHARE + SAME_POINT_MM) {
    remarks.push(
      caution(
        'deep-notch',
        say`${the} birdsmouth takes ${percentOver(share)} of the rafter's depth; the usual limit is a quarter. A deep notch splits under load: ask the local code or an engineer`,
        member,
      ),
    );
  }
  if (width < USUAL_BEARING_MM) {
    remarks.push(
      caution(
        'narrow-seat',
        say`${the} seat bears on ${inMm(width, 1)} of ‹plate›; the usual least is ${inMm(USUAL_BEARING_MM)}: ask the local code or an engineer`,
        member,
      ),
    );
  }
  if (plateWidth !== undefined && width > plateWidth + SAME_POINT_MM)
    remarks.push(
      note(
        'seat-past-plate',
        say`${the} seat is ${inMm(width - plateWidth, 1)} wider than the ‹plate›`,
        member,
      ),
    );
  return remarks;
};

/** A hip's or valley's seat runs inward from the plate's corner; past the plates it hangs in the air. */
export const aboutCorners = ({ job, framing }: Subject): Remark[] =>
  oneOfEach(framing.members, ['hip', 'valley']).flatMap((member) => {
    const name = member.kind;
    const remarks: Remark[] = [];
    const eaveAngleRad = member.fold?.eaveAngleRad ?? null;
    const { plateWidth } = job.timber;
    const seat = seatOf(member);
    const notch = member.notches.find((one) => one.for === 'plate');
    if (notch !== undefined && seat === null) {
      remarks.push(
        caution(
          'no-seat',
          say`the ${name}'s underside stands ${inMm(-notchPlumbDepth(member, notch), 1)} above the ‹plate›: it has no seat. Use a deeper ${name} or a lower ‹height above plate›`,
          member,
        ),
      );
    } else if (seat !== null && plateWidth !== undefined && eaveAngleRad !== null) {
      const over = seat.width.value - plateWidth / Math.sin(Math.max(...eaveAngleRad));
      if (over > SAME_POINT_MM) {
        remarks.push(
          caution(
            'seat-past-plate',
            say`the ${name}'s seat hangs ${inMm(over, 1)} inside past the ‹plates›, unsupported. A shallower notch with the ${name} carried, a lower ${name}, deeper commons, or an engineer's detail mends it`,
            member,
          ),
        );
      }
    }
    if (member.loweredMm > 0)
      remarks.push(
        note(
          'hip-lowered',
          say`the hip stands ${inMm(member.loweredMm, 1)} lower than its ‹drop› asks: its seat is so much deeper, the jacks’ cheeks bear on more of it, and the sheets’ edges over it are nailed to packing or to the jacks`,
          member,
        ),
      );
    if (name === 'hip' && job.framing.hipTop === 'none') {
      remarks.push(
        note(
          'hip-proud',
          say`the hip is neither dropped nor backed: its top corners stand proud of the roof planes`,
          member,
        ),
      );
    }
    return remarks;
  });
