import 'fake-indexeddb/auto';

/** The browser has closed the stores of this device and opens none any more, until the spies are restored. */
export const storeGone = (): { readonly mockRestore: () => void } => {
  const closed = jest.spyOn(IDBDatabase.prototype, 'transaction').mockImplementation(() => {
    throw new DOMException('the connection is closing', 'InvalidStateError');
  });
  const denied = jest.spyOn(indexedDB, 'open').mockImplementation(() => {
    throw new DOMException('denied', 'SecurityError');
  });
  return {
    mockRestore: () => {
      closed.mockRestore();
      denied.mockRestore();
    },
  };
};

/** The store no longer answers: it neither opens nor says why. */
export const storeSilent = (): { readonly mockRestore: () => void } => {
  const closed = jest.spyOn(IDBDatabase.prototype, 'transaction').mockImplementation(() => {
    throw new DOMException('the connection is closing', 'InvalidStateError');
  });
  const silent = jest
    .spyOn(indexedDB, 'open')
    .mockImplementation(() => new EventTarget() as IDBOpenDBRequest);
  return {
    mockRestore: () => {
      closed.mockRestore();
      silent.mockRestore();
    },
  };
};
