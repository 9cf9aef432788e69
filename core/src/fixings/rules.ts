import type { Job } from '../job';
import { PLACES, type Fixing, type Place } from '../places';

/** How a sort of place is fixed in a job: so many at each, or at centres all along. mm */
export interface Rule {
  readonly place: Place;
  readonly fixing: Fixing;
  readonly each: number;
  readonly centresMm: number | null;
  /** The crew's own, not the catalogue's. */
  readonly own: boolean;
}

/** The crew's rule for a place, or what the catalogue says. */
export const ruleOf = (
  { fixings, display }: Pick<Job, 'fixings' | 'display'>,
  place: Place,
): Rule => {
  const row = PLACES[place];
  const own = fixings.find((rule) => rule.place === place);
  const centres = own?.centres ?? row.centres?.[display.units];
  return {
    place,
    fixing: own?.fixing ?? row.fixing,
    each: own?.each ?? row.each ?? 0,
    centresMm: row.centres === undefined ? null : (centres ?? null),
    own: own !== undefined,
  };
};
