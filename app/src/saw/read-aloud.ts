import type { Job } from '@ogee/core/src/job';
import { spokenLength } from '@ogee/core/src/units';
import * as Speech from 'expo-speech';
import type { TapeMark } from '../draw/board';

/** One mark as the phone says it. */
export const markAloud = ({ name, at }: TapeMark, display: Job['display']): string =>
  `${name}: ${spokenLength(at, display)}`;

/** Whether this browser has a voice at all. */
export const canSpeak = (): boolean => typeof speechSynthesis !== 'undefined';

export const beSilent = (): void => {
  if (canSpeak()) void Speech.stop();
};

/** Says something now, in place of what is being said. */
export const sayAloud = (text: string): void => {
  beSilent();
  Speech.speak(text, { language: 'en' });
};
