import { degrees, radians } from '../units';

/** What may be known of a rafter's triangle. mm and degrees */
export interface Known {
  readonly rise?: number;
  readonly run?: number;
  readonly length?: number;
  readonly slope?: number;
}

export interface Triangle extends Required<Known> {
  /** The angle at the top, between rise and length. */
  readonly top: number;
}

export type Solved<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly text: string };

const no = (text: string): Solved<never> => ({ ok: false, text });

/**
 * A triangle of run, rise and length from any two of run, rise, length and slope.
 *
 *           ／|
 *   length ／ | rise
 *         ／__|          the corner of run and rise is 90° and `offDeg` more where a wall leans in
 *     slope run
 *
 * @param offDeg how far rise and run are off square, over −45 and under 45
 */
export const triangle = (known: Known, offDeg = 0): Solved<Triangle> => {
  const given = (['rise', 'run', 'length', 'slope'] as const).filter(
    (name) => known[name] !== undefined,
  );
  if (given.length !== 2) return no('two of the four are wanted, and two only');
  if (!(Math.abs(offDeg) < 45)) return no('off square by less than 45° is accepted');
  if (given.some((name) => !((known[name] ?? 0) > 0))) return no('both have to be more than 0');
  const corner = Math.PI / 2 + radians(offDeg);
  const [sine, cosine] = [Math.sin(corner), Math.cos(corner)];
  const { rise = NaN, run = NaN, length = NaN } = known;
  const slope = radians(known.slope ?? NaN);
  const finish = (foot: number, of: { rise?: number; run?: number; length?: number }) => {
    const top = Math.PI - corner - foot;
    if (!(foot > 0 && top > 0))
      return no('no triangle has these: the slope leaves no angle at the top');
    // One side is known with the angle over against it: the others follow by their sines.
    const perSine =
      of.rise !== undefined
        ? of.rise / Math.sin(foot)
        : of.run !== undefined
          ? of.run / Math.sin(top)
          : (of.length ?? NaN) / sine;
    return {
      ok: true as const,
      value: {
        rise: perSine * Math.sin(foot),
        run: perSine * Math.sin(top),
        length: perSine * sine,
        slope: degrees(foot),
        top: degrees(top),
      },
    };
  };
  const has = (...names: readonly (keyof Known)[]): boolean =>
    names.every((name) => given.includes(name));
  if (has('rise', 'run')) return finish(Math.atan2(rise * sine, run - rise * cosine), { rise });
  if (has('slope', 'run')) return finish(slope, { run });
  if (has('slope', 'rise')) return finish(slope, { rise });
  if (has('slope', 'length')) return finish(slope, { length });
  // A side and the length: the angle over against the side, by its sine.
  const side = has('run', 'length') ? run : rise;
  const ratio = (side * sine) / length;
  if (!(ratio < 1))
    return no(`no triangle has these: the length has to be more than ${side.toFixed(0)} mm`);
  const over = Math.asin(ratio);
  return finish(has('run', 'length') ? Math.PI - corner - over : over, { length });
};
