/**
 * The version of what app and server send each other. It counts up when a body of the one can no longer be read by the
 * other; a sender that names another one is told so before anything is written.
 */
export const WIRE_VERSION = 1;

/** The header that names it. */
export const WIRE_HEADER = 'ogee-wire';
