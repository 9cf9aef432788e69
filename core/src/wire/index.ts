/**
 * What server and app send each other about jobs: the schemas that both check by, and that the API's description is
 * made from. Every type of the wire is inferred here and nowhere else. Each schema is made when it is first asked for: a
 * list of jobs is read without those of a job or a log.
 */
export { createBodySchema, labelBodySchema, saveBodySchema } from './bodies';
export { changesSchema, type Change, type ChangesPage } from './changes';
export { jobListSchema, jobSummarySchema, type JobSummary } from './listed';
export { LOG_BATCH, logBodySchema, logPageSchema, type LogPage } from './log';
export { problemsSchema } from './problems';
export { revisionListSchema, revisionSchema, type RevisionSummary } from './revisions';
export { WIRE_HEADER, WIRE_VERSION } from './version';
export { conflictSchema, storedJobSchema, type StoredJob } from './stored';
