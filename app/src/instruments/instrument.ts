import type { Source } from '@ogee/core/src/log';

/** What an instrument gives: lengths in mm, or angles in degrees. */
export type Gives = 'length' | 'angle';

export interface Taken {
  /** mm or degrees */
  readonly value: number;
  readonly source: Exclude<Source, 'typed'>;
}

/**
 * A thing that measures. One that is really there would take its readings over the air; what ships with the app are
 * stand-ins, so that everything round them can be tried.
 */
export interface Instrument {
  readonly id: string;
  readonly name: string;
  readonly gives: Gives;
  /**
   * Takes a reading now.
   *
   * @param near what stands in the field that it is for; null where nothing does. Only a stand-in looks at it.
   */
  readonly take: (near: number | null) => Promise<Taken>;
}

/** How a reading is typed into a field, whatever units that shows. */
export const readingText = ({ value }: Taken, gives: Gives): string =>
  gives === 'length' ? `${Number(value.toFixed(1))} mm` : `${Number(value.toFixed(2))}°`;
