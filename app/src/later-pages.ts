/** The other pages of a job, and what is wanted on site: fetched once the first page stands, or when one is opened. */
export { AsBuiltScreen } from './as-built/as-built-screen';
export { BenchScreen } from './bench/bench-screen';
export { FitScreen } from './fit/fit-screen';
export { HistoryScreen } from './jobs/history-screen';
export { LogScreen } from './log/log-screen';
export { PatternsScreen } from './patterns/patterns-screen';
export { PracticeScreen } from './practice/practice-screen';
export { RoofScreen } from './roof/roof-screen';
export { SawScreen } from './saw/saw-screen';
export { TimberForm } from './timber/timber-form';
export { TryScreen } from './try/try-screen';
