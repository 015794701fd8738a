import type { Outcome } from '@/core/refusals';
import { refusalTexts } from '@/core/texts/refusals';
import type { Report } from '@/server/progress';

type Progress = Readonly<{ report: Report; signal: AbortSignal }>;

/**
 * The answer of long work: lines of JSON (`application/x-ndjson`), `{done, of}` while it goes on, at the end `{value, history}`
 * or `{problem, errors}`. Whoever goes away stops it.
 */
export function progressAnswer<T>(work: (progress: Progress) => Promise<Outcome<T>>): Response {
  const stop = new AbortController();
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (line: object) => {
        if (!stop.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
      };
      try {
        const outcome = await work({ report: (done, of) => say({ done, of }), signal: stop.signal });
        if (outcome.ok) say({ value: outcome.value, history: outcome.history });
        else say({ problem: refusalTexts[outcome.reason], errors: outcome.fields ?? [] });
      } catch (error) {
        console.error('A request failed:', error);
        say({ problem: 'Something went wrong on the server. Try again in a moment.', errors: [] });
      }
      if (!stop.signal.aborted) controller.close();
    },
    cancel: () => stop.abort(),
  });
  return new Response(body, {
    headers: {
      'content-type': 'application/x-ndjson; charset=utf-8',
      'cache-control': 'no-store',
      'x-accel-buffering': 'no',
    },
  });
}
