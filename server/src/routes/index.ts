import { CHANGES_ROUTES } from './changes';
import { JOB_ROUTES } from './jobs';
import { LOG_ROUTES } from './log';
import type { Route } from './route';

/** Every route of the API: what is served is what is described. */
export const ROUTES: readonly Route[] = [...JOB_ROUTES, ...LOG_ROUTES, ...CHANGES_ROUTES];
