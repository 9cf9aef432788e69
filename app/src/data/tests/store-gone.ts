import 'fake-indexeddb/auto';

type Restored = { readonly mockRestore: () => void };

/** The browser has closed the stores of this device, and opens them so, until the spies are restored. */
const closed = (opens: () => IDBOpenDBRequest): Restored => {
  const spies = [
    jest.spyOn(IDBDatabase.prototype, 'transaction').mockImplementation(() => {
      throw new DOMException('the connection is closing', 'InvalidStateError');
    }),
    jest.spyOn(indexedDB, 'open').mockImplementation(opens),
  ];
  return { mockRestore: () => spies.forEach((spy) => spy.mockRestore()) };
};

/** The stores are closed, and denied from then on. */
export const storeGone = (): Restored =>
  closed(() => {
    throw new DOMException('denied', 'SecurityError');
  });

/** The stores no longer answer: they neither open nor say why. */
export const storeSilent = (): Restored => closed(() => new EventTarget() as IDBOpenDBRequest);
