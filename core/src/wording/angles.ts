import { SLACK_DEG } from '../geom';
import type { CutEntry } from '../cuts';
import type { Job } from '../job';
import { formatDegrees } from '../units';

type Display = Job['display'];

const trim = (value: number): string => String(Number(value.toFixed(2)));

/** Less than is written of an angle is none. Degrees */
const LEAST_DEG = SLACK_DEG.written;

/** The line on the wide face, as the person reads angles: the square's pair, or degrees. */
export const faceSetting = (cut: CutEntry, display: Display): string => {
  if (cut.faceAngle < LEAST_DEG) return 'square across';
  if (display.pitch === 'in12' && cut.square !== null) {
    return `${trim(cut.square.rise)} / ${trim(cut.square.run)}`;
  }
  return formatDegrees(cut.faceAngle);
};

/** 90 − x: the one people mix up, always shown small beside. */
export const complement = (deg: number): string => formatDegrees(90 - deg);

export const isTilted = (cut: CutEntry): boolean => cut.faceTilt > LEAST_DEG;

/** A row's worth of angles: the upper cut, and the first end, from the upper down, that wants the saw tilted. */
export const angleSummary = (cuts: readonly CutEntry[], display: Display): string => {
  const top = cuts.find((cut) => cut.at === 'top');
  if (top === undefined) return '';
  const face = faceSetting(top, display);
  const tilted = cuts.find(isTilted);
  if (tilted === undefined) return face;
  const end =
    tilted.at === 'top'
      ? ''
      : tilted.name === 'lip'
        ? 'lip '
        : tilted.at === 'bottom'
          ? 'foot '
          : `${tilted.at} `;
  return `${face} · ${end}tilt ${formatDegrees(tilted.faceTilt)}`;
};
