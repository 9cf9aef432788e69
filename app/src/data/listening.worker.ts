/**
 * Listens for what changes on the server, in a thread of its own: what comes is read there, and a page that waits for its
 * network to be quiet is not kept waiting by a stream that never ends. Tells each event's data, and null for each failure.
 */
const stream = new EventSource('/api/changes/stream');
stream.onmessage = ({ data }: MessageEvent<unknown>) => postMessage(data);
stream.onerror = () => postMessage(stream.readyState === EventSource.CLOSED ? 'closed' : null);
