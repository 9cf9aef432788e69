import type { RoofPlane, Shell } from './model';

type Steep = Pick<RoofPlane, 'rise'>;

/**
 * Whether the roof kicks out at the eave: its lowest band is shallower than the next, so that the side's roof is the
 * higher of the two. At every other break it is the lower one.
 *
 *       ╱          ──╲
 *     ╱              ╲
 *  ──╯  kick          │  break to a shallower pitch above
 */
export const kicksOut = ([first, second]: readonly Steep[]): boolean =>
  first !== undefined && second !== undefined && second.rise > first.rise;

/**
 * A block's roof as shells: the lowest of a shell's planes, and the highest of the shells. One shell, but where sides
 * kick out: then one for each choice between the eave's plane and those above it.
 */
export const shellsOf = (bands: readonly (readonly RoofPlane[])[]): Shell[] =>
  bands.reduce<Shell[]>(
    (shells, own) => {
      const choices = kicksOut(own) ? [[...own.slice(0, 1), ...own.slice(2)], own.slice(1)] : [own];
      return choices.flatMap((choice) => shells.map((shell) => [...shell, ...choice]));
    },
    [[]],
  );
