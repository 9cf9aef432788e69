/**
 * All that an open job shows, and what is wanted on site: one part of the app, fetched before the first job is opened. In two
 * parts what they share would be fetched with the first page.
 */
export { AsBuiltScreen } from './as-built/as-built-screen';
export { BenchScreen } from './bench/bench-screen';
export { CutsScreen } from './cuts/cuts-screen';
export { PieceScreen } from './cuts/piece-screen';
export { FitScreen } from './fit/fit-screen';
export { HistoryScreen } from './jobs/history-screen';
export { LogScreen } from './log/log-screen';
export { PatternsScreen } from './patterns/patterns-screen';
export { PracticeScreen } from './practice/practice-screen';
export { RoofScreen } from './roof/roof-screen';
export { SawScreen } from './saw/saw-screen';
export { JobPage } from './shell/job-page';
export { SiteForm } from './site/site-form';
export { TimberForm } from './timber/timber-form';
export { TryScreen } from './try/try-screen';
