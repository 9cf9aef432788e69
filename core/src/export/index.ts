/**
 * Finished data in, text out. Takes a cut list or framed members; promises bytes that depend on nothing else.
 */
export { cutListCsv } from './csv';
export { logCsv, type TableLine } from './log-csv';
export { framingObj } from './obj';
