import { stationOn, type Bay } from './bay';
import { commonStations, type Stations } from './layout';

/** Where commons stand along side a, measured from its start; those of side b stand opposite. */
export const ridgeStations = (bay: Bay): Stations => {
  const { spacing, layout } = bay.job.framing;
  const [first, last] = bay.ends;
  return commonStations(
    { kind: first.kind, at: stationOn(bay.a, first.point) },
    { kind: last.kind, at: stationOn(bay.a, last.point) },
    spacing,
    bay.job.timber.common.thickness,
    layout,
  );
};

/** The hip ends whose meeting point this station stands on. */
export const hipEndsAt = (bay: Bay, station: number): (0 | 1)[] =>
  ([0, 1] as const).filter((i) => {
    const end = bay.ends[i];
    return end.kind === 'hip' && station === stationOn(bay.a, end.point);
  });
