import { outletInput } from '@/core/outlets/outletInput';
import { done } from '@/core/refusals';
import type { PublishedOutlet } from '@/server/outlets/publish';
import { outletsFor, publish } from '@/server/outlets/publish';
import { endpoint } from '../endpoint';

const record = ({ id, kind, audience, name, url }: PublishedOutlet) => ({ id, kind, audience, name, url });

export const GET = endpoint({ who: 'person' }, async ({ pembit, actor }) =>
  done((await outletsFor(pembit, actor)).map(record)),
);

export const POST = endpoint({ who: 'person', body: outletInput }, async ({ pembit, actor, body }) => {
  const outcome = await publish(pembit, actor, body);
  return outcome.ok ? { ...outcome, value: record(outcome.value), status: 201 } : outcome;
});
