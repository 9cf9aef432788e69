import { changesSchema, type ChangesPage } from '@ogee/core';
import { z } from 'zod';
import { checked } from './refusal';
import { bad, json, type Route } from './route';
import { changesPlace } from './schemas';

/** A stream that says nothing for so long is taken for dead by whoever listens, and by what stands between. ms */
const BEAT_MS = 10_000;

const asEvent = (page: ChangesPage): string =>
  `id: ${page.last}\ndata: ${JSON.stringify(page)}\n\n`;

/** What changed on the server, told as it happens or asked for. */
export const CHANGES_ROUTES: readonly Route[] = [
  {
    method: 'get',
    path: '/api/changes',
    told: {
      summary:
        'What changed after a place in the order of changes; without one, the place to ask on from',
      requestParams: { query: z.object({ after: z.string().optional() }) },
      responses: { '200': json('The changes.', changesSchema), '400': bad },
    },
    answer:
      ({ changes }) =>
      (request, response) => {
        const { after } = checked(changesPlace, request.query, 'query');
        response.json(changes.after(after ?? null));
      },
  },
  {
    method: 'get',
    path: '/api/changes/stream',
    told: {
      summary:
        'The same as server-sent events, each a `Changes` in JSON with its place as id; one every ten seconds at the least',
      requestParams: { header: z.object({ 'Last-Event-ID': z.string().optional() }) },
      responses: {
        '200': {
          description: 'The stream; it ends when the server does.',
          content: { 'text/event-stream': { schema: z.string() } },
        },
      },
    },
    answer:
      ({ changes }) =>
      (request, response) => {
        response.set({
          'Content-Type': 'text/event-stream',
          'Cache-Control': 'no-store, no-transform',
          'X-Accel-Buffering': 'no',
        });
        response.flushHeaders();
        const tell = (page: ChangesPage): void => void response.write(asEvent(page));
        const place = request.get('last-event-id');
        tell(changes.after(place === undefined || place === '' ? null : place));
        const beat = setInterval(() => tell(changes.after(null)), BEAT_MS);
        const stop = changes.listen(tell, () => response.end());
        response.on('close', () => {
          clearInterval(beat);
          stop();
        });
      },
  },
];
