/** What the trade’s words mean: a sentence a term, and the part of a picture that shows it. Takes nothing. */
import type { TermName } from '../terms';

/** The pictures that terms are pointed out on, and the parts that can be pointed at. */
export type Pictured =
  | {
      readonly of: 'eave';
      readonly part:
        | 'plate'
        | 'hap'
        | 'seat'
        | 'heel'
        | 'overhang'
        | 'tail'
        | 'fascia'
        | 'plumb'
        | 'notch';
    }
  | {
      readonly of: 'plan';
      readonly part:
        | 'eave'
        | 'gable'
        | 'ridge'
        | 'hip'
        | 'valley'
        | 'common'
        | 'king'
        | 'hip-jack'
        | 'valley-jack'
        | 'cripple'
        | 'purlin'
        | 'header'
        | 'trimmer'
        | 'opening-jack'
        | 'spacing'
        | 'gablet'
        | 'barge'
        | 'lookout'
        | 'block';
    }
  | { readonly of: 'board'; readonly part: 'long' | 'short' | 'line' | 'complement' | 'crown' }
  | { readonly of: 'hip'; readonly part: 'drop' | 'backing' }
  | { readonly of: 'end'; readonly part: 'tilt' }
  | {
      readonly of: 'section';
      readonly part:
        | 'collar'
        | 'tie'
        | 'stud'
        | 'strut'
        | 'ledger'
        | 'post'
        | 'beam'
        | 'spacer'
        | 'backing';
    };

interface Meaning {
  readonly means: string;
  readonly shown: Pictured | null;
}

/** What each term means, for somebody who asks, and the part of a picture that shows it. */
export const MEANINGS: Readonly<Record<TermName, Meaning>> = {
  plate: {
    means:
      'The level timber on top of a wall. Rafters are notched over it; everything is measured from its outside face.',
    shown: { of: 'eave', part: 'plate' },
  },
  'height above plate': {
    means:
      'Plumb, from the outside top corner of the plate to the rafter’s top edge. One height all round keeps the roof in one plane.',
    shown: { of: 'eave', part: 'hap' },
  },
  seat: {
    means: 'The level cut of the birdsmouth, which lies on the plate.',
    shown: { of: 'eave', part: 'seat' },
  },
  heel: {
    means:
      'The plumb cut of the birdsmouth, which comes against the outside of the plate. Lengths start from its line.',
    shown: { of: 'eave', part: 'heel' },
  },
  birdsmouth: {
    means:
      'The notch of seat and heel by which a rafter sits on the plate. Too deep, it weakens the rafter.',
    shown: { of: 'eave', part: 'notch' },
  },
  overhang: {
    means: 'Level, from the outside face of the plate to the end of the tail.',
    shown: { of: 'eave', part: 'overhang' },
  },
  tail: {
    means: 'What of a rafter runs on outside the wall.',
    shown: { of: 'eave', part: 'tail' },
  },
  fascia: {
    means: 'The board along the ends of the tails.',
    shown: { of: 'eave', part: 'fascia' },
  },
  'plumb cut': {
    means: 'A cut that stands upright once the rafter is in its place.',
    shown: { of: 'eave', part: 'plumb' },
  },
  eave: {
    means: 'The lower edge of a roof, where rafters end over a wall.',
    shown: { of: 'plan', part: 'eave' },
  },
  gable: {
    means: 'An end where the wall goes up to the slope instead of a roof coming down to the wall.',
    shown: { of: 'plan', part: 'gable' },
  },
  gablet: {
    means: 'A small gable above a hip, which ends before it comes to the ridge.',
    shown: { of: 'plan', part: 'gablet' },
  },
  ridge: {
    means: 'The level board at the top, which the rafters of both sides lean against.',
    shown: { of: 'plan', part: 'ridge' },
  },
  hip: {
    means:
      'The rafter under the outside corner of a roof, from the plates’ corner up to the ridge.',
    shown: { of: 'plan', part: 'hip' },
  },
  valley: {
    means:
      'The rafter under the inside corner, where two slopes run together and the water runs down.',
    shown: { of: 'plan', part: 'valley' },
  },
  common: {
    means: 'A rafter that runs whole from the plate to the ridge.',
    shown: { of: 'plan', part: 'common' },
  },
  'king common': {
    means: 'The common of a hip end that stands in line with the ridge.',
    shown: { of: 'plan', part: 'king' },
  },
  'hip jack': {
    means: 'A rafter cut short by a hip: from the plate up to the hip.',
    shown: { of: 'plan', part: 'hip-jack' },
  },
  'valley jack': {
    means: 'A rafter cut short by a valley: from the valley up to the ridge.',
    shown: { of: 'plan', part: 'valley-jack' },
  },
  'cripple jack': {
    means: 'A rafter cut short at both ends: from a valley up to a hip.',
    shown: { of: 'plan', part: 'cripple' },
  },
  purlin: {
    means:
      'A timber along the slope that carries rafters, or roof sheets, between the plate and the ridge.',
    shown: { of: 'plan', part: 'purlin' },
  },
  trimmer: {
    means:
      'A whole rafter beside an opening. It carries the headers across the opening, and with them the rafters that the opening cuts.',
    shown: { of: 'plan', part: 'trimmer' },
  },
  'opening jack': {
    means: 'What is left of a rafter below or above an opening: it ends on a header.',
    shown: { of: 'plan', part: 'opening-jack' },
  },
  header: {
    means: 'A short timber between two rafters that carries those which cannot run through.',
    shown: { of: 'plan', part: 'header' },
  },
  'on centre': {
    means: 'Measured from the middle of one rafter to the middle of the next.',
    shown: { of: 'plan', part: 'spacing' },
  },
  centre: { means: 'The middle.', shown: null },
  barge: {
    means: 'The rafter at the edge of a roof that hangs over its gable.',
    shown: { of: 'plan', part: 'barge' },
  },
  lookout: {
    means:
      'A short timber square out from the gable’s rafter, which carries the barge. Butted between the two like the rungs of a ladder, it carries a narrow overhang; a wide one wants lookouts that run in over the gable’s rafter.',
    shown: { of: 'plan', part: 'lookout' },
  },
  ledger: {
    means:
      'A level timber fixed flat to a wall, which carries the upper ends of a lean-to’s rafters on hangers.',
    shown: { of: 'section', part: 'ledger' },
  },
  strut: {
    means:
      'A leaning post from a purlin down to a bearing wall. It breaks the purlin’s span; the wall under it must carry.',
    shown: { of: 'section', part: 'strut' },
  },
  'hip brace': {
    means:
      'A post, plumb or leaning, from the underside of a hip down to a wall or a tie beam, where the hip is too long for its depth or has no whole seat.',
    shown: { of: 'plan', part: 'hip' },
  },
  sleeper: {
    means:
      'A board flat on the sheathing of a lower roof, along the line where an upper roof is laid on it. The upper rafters stand on it.',
    shown: { of: 'plan', part: 'valley' },
  },
  post: {
    means:
      'An upright that carries a beam where there is no wall. It brings its load down to one place, which wants a footing.',
    shown: { of: 'section', part: 'post' },
  },
  beam: {
    means: 'A level timber on posts, under the plate that the rafters are seated on.',
    shown: { of: 'section', part: 'beam' },
  },
  'ridge post': {
    means:
      'An upright under a ridge that is a beam. Carried so, the ridge holds the rafters up and they do not push the walls out; what the post stands on must carry that, down to a footing.',
    shown: { of: 'section', part: 'post' },
  },
  'cheek stud': {
    means:
      'An upright in the side of a dormer, from the sheathing of the roof it stands on up to its plate or its end rafter. Its foot is cut along that roof.',
    shown: { of: 'section', part: 'post' },
  },
  'false tail': {
    means:
      'A short piece of rafter outside a wall that has none behind it, below a window that goes down to the plate. It carries the eave on, and hangs on the wall’s studs alone.',
    shown: { of: 'eave', part: 'tail' },
  },
  'spacer block': {
    means:
      'A block as thick as the gap between a rafter and the tie beside it, so that the two can be fixed to each other through it.',
    shown: { of: 'section', part: 'spacer' },
  },
  'ceiling backing': {
    means:
      'A board flat on the plate that sticks out inside the wall, for the edge of the ceiling where no tie lies.',
    shown: { of: 'section', part: 'backing' },
  },
  'gable stud': {
    means:
      'A stud between the gable wall’s plate and the gable’s rafter. Flat under the rafter, each is longer than the one below it by the same difference.',
    shown: { of: 'section', part: 'stud' },
  },
  'eave block': {
    means:
      'A board on edge between two rafters over the plate. It keeps them upright and closes the roof there; its top is bevelled to the slope.',
    shown: { of: 'plan', part: 'block' },
  },
  'framing square': {
    means:
      'A steel square with two arms. A pair of figures, one on each arm, held to the edge of a board gives the line of a cut.',
    shown: { of: 'board', part: 'line' },
  },
  'collar tie': {
    means:
      'A level timber between the two rafters of a pair, in the upper third of the rise. It keeps the ridge together in wind; it does not keep the walls from spreading.',
    shown: { of: 'section', part: 'collar' },
  },
  'rafter tie': {
    means:
      'A level timber on the plates from wall to wall, beside the feet of the rafters. It keeps the walls from spreading.',
    shown: { of: 'section', part: 'tie' },
  },
  crown: {
    means: 'The edge towards which a board bends. It goes up, so that the load straightens it.',
    shown: { of: 'board', part: 'crown' },
  },
  'long point': {
    means:
      'The furthest corner of an end that is cut at an angle through the thickness. Lengths are measured to it.',
    shown: { of: 'board', part: 'long' },
  },
  'short point': {
    means: 'The nearest corner of an end that is cut at an angle through the thickness.',
    shown: { of: 'board', part: 'short' },
  },
  complement: {
    means:
      'What is left of an angle to 90°. A saw reads from square, a protractor from the edge: the one figure is the other’s complement, and the two are easily mixed up.',
    shown: { of: 'board', part: 'complement' },
  },
  'saw tilt': {
    means: 'How far the blade leans from square to the board’s face.',
    shown: { of: 'end', part: 'tilt' },
  },
  drop: {
    means:
      'How far a hip is set lower, so that its square top corners come up to the slopes and no higher.',
    shown: { of: 'hip', part: 'drop' },
  },
  backing: {
    means: 'The bevels planed on the top of a hip so that it lies in both slopes.',
    shown: { of: 'hip', part: 'backing' },
  },
};
