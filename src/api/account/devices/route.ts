import { z } from 'zod';
import { done } from '@/core/refusals';
import { addDevice, ownDevices } from '@/server/notices/devices';
import { endpoint } from '../../endpoint';

/** Octets in base64url: a point of P-256 uncompressed is 65 of them, the secret that goes with it 16 (RFC 8291, section 3). */
const octets = (count: number) =>
  z
    .string()
    .regex(/^[\w-]+$/, 'These are not octets in base64url.')
    .refine((text) => Buffer.from(text, 'base64url').length === count, `It has ${count} octets.`);

const body = z.object({
  endpoint: z.url({ protocol: /^https?$/, error: 'This is not an address on the web.' }).max(2000),
  p256dh: octets(65),
  auth: octets(16),
  kind: z.enum(['phone', 'computer']),
});

const found = z.object({
  publicKey: z.string(),
  devices: z.array(
    z.object({ id: z.string(), kind: z.enum(['phone', 'computer']), since: z.string(), here: z.boolean() }),
  ),
});

/** The devices that show one’s urgent notices, and the key that a browser needs to take them: `{publicKey, devices: [{id, kind, since, here}]}`. */
export const GET = endpoint({ who: 'person', answer: found }, async ({ pembit, actor }) =>
  done(await ownDevices(pembit, actor)),
);

/** Shows urgent notices on this device, as long as one stays signed in there (Web Push, RFC 8030 and 8291). */
export const POST = endpoint(
  { who: 'person', limit: 'linkTest', body, answer: z.object({ id: z.string() }) },
  ({ pembit, actor, body }) => addDevice(pembit, actor, body),
);
