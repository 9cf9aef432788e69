/** Of the first two draws of a cell, how many are framed today; both of any that is not named. Raised as more is framed, never lowered. */
export const FRAMED_OF_TWO: Readonly<Record<string, number>> = {
  'unlike pitches + break in pitch': 1,
  'unlike pitches + bay': 1,
  'out of square + gablet': 0,
  'out of square + lean-to': 1,
  'break in pitch + two walls': 1,
  'break in pitch + laid-on porch': 1,
  'gablet + half-hip': 1,
  'two walls + bay': 1,
  'wing + bay': 1,
  'bay + lean-to': 0,
  'bay + laid-on porch': 0,
  'laid-on porch + gable studs': 1,
};
