/** All that an open job shows: one part of the app, fetched before the first job is opened. */
export { CutsScreen } from './cuts/cuts-screen';
export { PieceScreen } from './cuts/piece-screen';
export { FitScreen } from './fit/fit-screen';
export { HistoryScreen } from './jobs/history-screen';
export { RoofScreen } from './roof/roof-screen';
export { JobPage } from './shell/job-page';
export { SiteForm } from './site/site-form';
export { TimberForm } from './timber/timber-form';
