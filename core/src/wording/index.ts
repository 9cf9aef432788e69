/**
 * Finished data in, words out: the steps at the saw, angles as the crew reads them, what the dry fit proved. Everything
 * is told in the job's own units; nothing is computed here. What remarks, problems and findings say is made where they
 * are found, as sentences with their measures (see `sentence.ts`).
 */
export { angleSummary, complement, faceSetting, isTilted } from './angles';
export { atLeast, boardNeeded, roundedUp } from './boards';
export { groupedNotes, type NoteGroup } from './notes';
export { layWords } from './pattern';
export { proved, type Proved } from './proved';
export { angleWay, stepWords, type AngleWay } from './steps';
