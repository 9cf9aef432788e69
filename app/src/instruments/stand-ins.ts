import type { Instrument } from './instrument';

/** How far the laser's stand-in is off what it is held to, one reading after the other. mm */
const LASER_OFF_MM = [4, -2, 0, 6, -3, 1];
/** And the level's. degrees */
const LEVEL_OFF_DEG = [0.2, -0.1, 0, 0.3];
const NOWHERE_MM = 2400;
const NOWHERE_DEG = 36.9;

const standIn = (
  kind: Pick<Instrument, 'id' | 'name' | 'gives'> & { readonly source: 'laser' | 'level' },
  off: readonly number[],
  nowhere: number,
): Instrument => {
  let taken = 0;
  return {
    id: kind.id,
    name: kind.name,
    gives: kind.gives,
    take: (near) => {
      const value = (near ?? nowhere) + (off[taken % off.length] ?? 0);
      taken += 1;
      return Promise.resolve({ value, source: kind.source });
    },
  };
};

/** A laser meter that is not there: it reads what stands in the field, a little off, as a real wall does. */
export const simulatedLaser = (): Instrument =>
  standIn(
    { id: 'simulated-laser', name: 'Laser (simulated)', gives: 'length', source: 'laser' },
    LASER_OFF_MM,
    NOWHERE_MM,
  );

/** A digital level that is not there. */
export const simulatedLevel = (): Instrument =>
  standIn(
    { id: 'simulated-level', name: 'Level (simulated)', gives: 'angle', source: 'level' },
    LEVEL_OFF_DEG,
    NOWHERE_DEG,
  );
