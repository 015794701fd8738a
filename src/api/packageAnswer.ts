import { Readable } from 'node:stream';
import type { SavedPlan } from '@/server/exchange/savePlan';
import { disposition } from '@/server/materials/answerFile';

/** A plan package as a download; `Pembit-Left-Out` counts what was for named students alone. */
export const packageAnswer = ({ name, body, left }: SavedPlan): Response =>
  new Response(Readable.toWeb(body) as ReadableStream<Uint8Array>, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': disposition('attachment', name),
      'cache-control': 'no-store',
      'pembit-left-out': String(left),
    },
  });
