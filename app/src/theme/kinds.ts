import type { Kind } from '@ogee/core';
import type { ColourName } from './theme';

export interface KindLook {
  readonly name: string;
  readonly plural: string;
  readonly colour: ColourName;
  /** Dash pattern of its line, px; empty is solid. */
  readonly dash: readonly number[];
  readonly width: number;
}

/** One colour and one line pattern a kind, the same on plan, list and sheet. Patterns alone tell them apart in print. */
export const KIND_LOOK: Readonly<Record<Kind, KindLook>> = {
  ridge: { name: 'Ridge', plural: 'Ridge', colour: 'ridge', dash: [], width: 5 },
  common: { name: 'Common', plural: 'Commons', colour: 'common', dash: [], width: 2 },
  'king-common': {
    name: 'King common',
    plural: 'King commons',
    colour: 'king-common',
    dash: [14, 4],
    width: 3,
  },
  hip: { name: 'Hip', plural: 'Hips', colour: 'hip', dash: [12, 4, 2, 4], width: 4 },
  'hip-jack': {
    name: 'Hip jack',
    plural: 'Hip jacks',
    colour: 'hip-jack',
    dash: [7, 4],
    width: 2.5,
  },
  fascia: { name: 'Fascia', plural: 'Fascias', colour: 'fascia', dash: [2, 3], width: 3 },
};
