/**
 * Finished data in, text out. Takes a cut list; promises bytes that depend on nothing else.
 */
export { cutListCsv } from './csv';
