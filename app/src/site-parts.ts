/** What is wanted at the saw and on the plate: a part of the app of its own, fetched when the first of it is opened. */
export { AsBuiltScreen } from './as-built/as-built-screen';
export { BenchScreen } from './bench/bench-screen';
export { LogScreen } from './log/log-screen';
export { PatternsScreen } from './patterns/patterns-screen';
export { PracticeScreen } from './practice/practice-screen';
export { SawScreen } from './saw/saw-screen';
export { TryScreen } from './try/try-screen';
