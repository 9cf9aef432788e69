/** A script of the page's own: the browser has closed the stores of this device and opens none any more. */
export const STORE_CLOSED = `
  IDBDatabase.prototype.transaction = () => {
    throw new DOMException('The database connection is closing.', 'InvalidStateError');
  };
  IDBFactory.prototype.open = () => {
    throw new DOMException('denied', 'SecurityError');
  };
`;
