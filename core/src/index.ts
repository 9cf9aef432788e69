/** The whole public API of the core. */
export * from './problem';
export { plainly, spoken, type Reader, type Sentence } from './sentence';
export * from './units';
export { toWorld, v2, type Vec2, type Vec3 } from './geom';
export * from './kinds';
export * from './job';
export * from './roof';
export * from './frame';
export * from './cuts';
export * from './remarks';
export * from './steps';
export * from './fit';
export * from './drawing';
export * from './wording';
export * from './export';
export * from './wire';
export { fit, solve, type Solution } from './solve';
