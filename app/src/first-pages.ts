/**
 * What an open job shows first: its shell, what was measured, the list, the sheet of a piece. Fetched before the first
 * job is opened. What it shares with the later pages is fetched with the first page of all.
 */
export { CutsScreen } from './cuts/cuts-screen';
export { PieceScreen } from './cuts/piece-screen';
export { JobPage } from './shell/job-page';
export { SiteForm } from './site/site-form';
