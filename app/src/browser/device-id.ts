import { newId } from './new-id';
import { remember, setting } from './page-storage';

const DEVICE = 'ogee.device';
let own: string | null = null;

/** This device's own id, by which the server tells it from others. Where the browser keeps nothing it is the window's. */
export const deviceId = (): string => {
  if (own === null) {
    own = setting(DEVICE) ?? newId();
    remember(DEVICE, own);
  }
  return own;
};
