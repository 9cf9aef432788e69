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
  ridge: { name: 'Ridge', plural: 'Ridges', colour: 'ridge', dash: [], width: 5 },
  purlin: { name: 'Purlin', plural: 'Purlins', colour: 'purlin', dash: [22, 4, 6, 4], width: 4 },
  header: { name: 'Header', plural: 'Headers', colour: 'header', dash: [18, 3], width: 4 },
  common: { name: 'Common', plural: 'Commons', colour: 'common', dash: [], width: 2 },
  'king-common': {
    name: 'King common',
    plural: 'King commons',
    colour: 'king-common',
    dash: [14, 4],
    width: 3,
  },
  hip: { name: 'Hip', plural: 'Hips', colour: 'hip', dash: [12, 4, 2, 4], width: 4 },
  valley: {
    name: 'Valley',
    plural: 'Valleys',
    colour: 'valley',
    dash: [10, 3, 2, 3, 2, 3],
    width: 4,
  },
  'hip-jack': {
    name: 'Hip jack',
    plural: 'Hip jacks',
    colour: 'hip-jack',
    dash: [7, 4],
    width: 2.5,
  },
  'valley-jack': {
    name: 'Valley jack',
    plural: 'Valley jacks',
    colour: 'valley-jack',
    dash: [4, 3],
    width: 2.5,
  },
  'cripple-jack': {
    name: 'Cripple jack',
    plural: 'Cripple jacks',
    colour: 'cripple-jack',
    dash: [9, 3, 2, 3],
    width: 2.5,
  },
  fascia: { name: 'Fascia', plural: 'Fascias', colour: 'fascia', dash: [2, 3], width: 3 },
};
