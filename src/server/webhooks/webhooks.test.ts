import { createHmac } from 'node:crypto';
import { Webhook as Verifier } from 'standardwebhooks';
import { beforeEach, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { Receiver } from '../../../tests/support/receiver';
import { newReceiver } from '../../../tests/support/receiver';
import type { School } from '../../../tests/support/school';
import { newSchool, workIn } from '../../../tests/support/school';
import { tokenInput } from '@/core/tokens/token';
import { webhookInput } from '@/core/tokens/webhook';
import { select } from '@/data/database';
import { planEntry } from '../entries/planEntry';
import type { Pembit } from '../pembit';
import { openSession, signedInBy } from '../session/session';
import type { SignedIn } from '../session/session';
import { endToken, makeToken } from '../tokens/tokens';
import { deliverWebhooks } from './deliver';
import { agreeToWebhook, endWebhook, makeWebhook, resumeTelling, testWebhook, webhookRecord, webhooksFor } from './webhooks'; // prettier-ignore

const SECOND = 1000;
const HOUR = 3_600_000;
let school: School;
let receiver: Receiver;
let pembit: Pembit;
/** The instructor as somebody who has signed in just now. */
let maren: SignedIn;
beforeEach(async () => {
  [school, receiver] = await Promise.all([newSchool(), newReceiver()]);
  pembit = { ...school.pembit, config: { ...school.pembit.config, allowedHosts: ['127.0.0.1'] } };
  maren = await here(school.instructor);
  return async () => {
    await Promise.all([school.close(), receiver.close()]);
  };
});
const here = async ({ person }: SignedIn) => (await signedInBy(school.pembit, await openSession(school.pembit, person.id)))!; // prettier-ignore
const token = async (scopes: string[] = ['read:plan'], who = maren) =>
  valueOf(await makeToken(pembit, who, tokenInput.parse({ name: 'Timetable', scopes })));
const make = async ({ token: by, ...json }: Readonly<{ token?: string; lists?: string[] }> = {}) =>
  makeWebhook(
    pembit,
    maren,
    webhookInput.parse({ token: by ?? (await token()).id, url: receiver.url, ...json }),
  );
const plan = async (title = 'Half model') =>
  valueOf(await planEntry(pembit, school.instructor, workIn(school.course, { title })));
const state = async (who = maren) =>
  (await webhooksFor(pembit, who)).own.map((hook) => webhookRecord(hook).state);
type Message = Readonly<{
  type: string;
  data: { webhook: string; events: { list: string; change: string; id?: string; uid: string }[] };
}>;
const messages = () => receiver.deliveries.map(({ body }) => JSON.parse(body) as Message);

describe('an address', () => {
  test('is told once of what was planned, by ids alone, signed so that others can tell', async () => {
    const { id: hook, secret } = valueOf(await make());
    await deliverWebhooks(pembit);
    expect(receiver.deliveries).toEqual([]);
    const { id, uid } = await plan();
    await deliverWebhooks(pembit);
    await deliverWebhooks(pembit);
    expect(messages()).toMatchObject([
      {
        type: 'pembit.changes',
        data: { webhook: hook, events: [{ list: 'entries', change: 'new', id, uid }] },
      },
    ]);
    const [{ headers, body }] = receiver.deliveries as [Receiver['deliveries'][number]];
    expect(body).not.toContain('Half model');
    // The specification Standard Webhooks: HMAC-SHA256 over id, timestamp and body, keyed by what the secret encodes.
    const [messageId, timestamp] = [headers['webhook-id'] as string, headers['webhook-timestamp'] as string];
    const key = Buffer.from(secret.slice('whsec_'.length), 'base64');
    const expected = createHmac('sha256', key).update(`${messageId}.${timestamp}.${body}`).digest('base64');
    expect(headers['webhook-signature']).toBe(`v1,${expected}`);
    expect(Number(timestamp)).toBe(Math.floor(pembit.now().epochMilliseconds / 1000));
    // Its reader judges by the clock of this machine: only what is forged is looked at here.
    const verifier = new Verifier(secret);
    const forged = { 'webhook-id': 'another', 'webhook-timestamp': String(Math.floor(Date.now() / 1000)), 'webhook-signature': `v1,${expected}` }; // prettier-ignore
    expect(() => verifier.verify(body, forged)).toThrow();
    const kept = await select<Record<string, unknown>>(pembit, 'SELECT * FROM webhooks');
    expect(JSON.stringify(kept)).not.toContain(secret.slice('whsec_'.length));
  });

  test('is told again under the same id until it takes it, then of what came meanwhile', async () => {
    valueOf(await make());
    await plan('First');
    receiver.answerWith(500);
    await deliverWebhooks(pembit);
    expect(await state()).toEqual(['failing']);
    await plan('Second');
    await deliverWebhooks(pembit);
    expect(receiver.deliveries).toHaveLength(1);
    school.later(31 * SECOND);
    receiver.answerWith(0);
    await deliverWebhooks(pembit);
    expect(receiver.deliveries).toHaveLength(2);
    school.later((31 + 121) * SECOND);
    receiver.answerWith(204);
    await deliverWebhooks(pembit);
    await deliverWebhooks(pembit);
    const ids = receiver.deliveries.map(({ headers }) => headers['webhook-id']);
    expect(ids[0]).toBe(ids[1]);
    expect(ids[1]).toBe(ids[2]);
    expect(ids[3]).not.toBe(ids[0]);
    expect(messages().map(({ data }) => data.events.length)).toEqual([1, 1, 1, 1]);
    expect(await state()).toEqual(['fine']);
  });

  test('pauses when eight tries failed, says so, and goes on where it was when its owner says so', async () => {
    const { id } = valueOf(await make());
    await plan();
    receiver.answerWith(302, { location: receiver.url });
    for (let hours = 0; hours < 60; hours++) {
      school.later(hours * HOUR);
      await deliverWebhooks(pembit);
    }
    expect(receiver.deliveries).toHaveLength(8);
    expect((await webhooksFor(pembit, maren)).own.map(webhookRecord)).toMatchObject([
      { state: 'paused', failure: 'It answered 302.' },
    ]);
    receiver.answerWith(200);
    expect(await resumeTelling(pembit, await here(school.students[0]!), id)).toMatchObject({ reason: 'notFound' }); // prettier-ignore
    valueOf(await resumeTelling(pembit, maren, id));
    await deliverWebhooks(pembit);
    expect(messages()).toHaveLength(9);
    expect(await state()).toEqual(['fine']);
  });

  test('is sent a test that counts for nothing, and says what was answered', async () => {
    const { id } = valueOf(await make());
    receiver.answerWith(418);
    expect(valueOf(await testWebhook(pembit, maren, id))).toMatchObject({ failure: 'It answered 418.' });
    receiver.answerWith(204);
    expect(valueOf(await testWebhook(pembit, maren, id)).failure).toBeUndefined();
    expect(messages()).toMatchObject([
      { type: 'pembit.test' },
      { type: 'pembit.test', data: { events: [] } },
    ]);
    expect(await state()).toEqual(['fine']);
  });

  test.each([
    ['http://timetable.example/', 'badRequest'],
    ['ftp://timetable.example/', 'unreadable'],
    ['javascript:alert(1)', 'unreadable'],
    ['not one', 'unreadable'],
  ])('that could be read on its way, or is none, is refused: %s', async (url, reason) => {
    const read = webhookInput.safeParse({ token: (await token()).id, url });
    if (reason === 'unreadable') return void expect(read.success).toBe(false);
    expect(await makeWebhook(pembit, maren, read.data!)).toMatchObject({
      reason,
      fields: [{ field: 'url' }],
    });
  });

  test('of a network that is not open is asked nothing', async () => {
    valueOf(await make());
    await plan();
    await deliverWebhooks({ ...pembit, config: { ...pembit.config, allowedHosts: [] } });
    expect(receiver.deliveries).toEqual([]);
    expect(await state()).toEqual(['failing']);
  });
});

describe('what is told', () => {
  test('is what its token reads, and nothing from the moment that it is ended', async () => {
    const hours = await token(['read:hours']);
    const lists = (read: object) => make({ token: hours.id, ...read });
    expect(await lists({ lists: ['entries'] })).toMatchObject({
      reason: 'badRequest',
      fields: [{ field: 'lists' }],
    });
    valueOf(await lists({ lists: ['slots'] }));
    await plan();
    await deliverWebhooks(pembit);
    expect(receiver.deliveries).toEqual([]);
    const plans = await token();
    valueOf(await make({ token: plans.id }));
    valueOf(await endToken(pembit, maren, plans.id));
    await plan();
    await deliverWebhooks(pembit);
    expect(receiver.deliveries).toEqual([]);
    expect(await state()).toHaveLength(1);
  });

  test('of who comes waits for the office, and begins when it agrees', async () => {
    const hours = await token(['read:hours']);
    const { id, approved } = valueOf(await make({ token: hours.id }));
    expect([approved, await state()]).toEqual([false, ['waiting']]);
    expect(await agreeToWebhook(pembit, maren, id)).toMatchObject({ reason: 'notFound' });
    const stranger = await here(school.stranger);
    const office = { ...stranger, person: { ...stranger.person, isAdmin: true } };
    expect((await webhooksFor(pembit, office)).others).toMatchObject([{ id }]);
    valueOf(await agreeToWebhook(pembit, office, id));
    expect(await state()).toEqual(['fine']);
    valueOf(await endWebhook(pembit, office, id));
    expect(await state()).toEqual([]);
  });

  test('is one’s own: a token of another’s, or a session that is no longer new, makes no address', async () => {
    const theirs = await token(['read:plan'], await here(school.stranger));
    expect(await make({ token: theirs.id })).toMatchObject({ reason: 'notFound' });
    const mine = await token();
    school.later(HOUR);
    expect(await make({ token: mine.id })).toMatchObject({ reason: 'signInAnew' });
  });
});
