import { v4 } from 'uuid';

/** An id that nobody else has. Also where the page came over plain http and the browser makes none itself. */
export const newId = (): string => v4();
