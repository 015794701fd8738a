import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoId } from '@/server/demo/demoIds';
import { signedIn } from '../support/api';
import type { Receiver } from '../support/receiver';
import { newReceiver } from '../support/receiver';
import type { Person } from './browser';
import { newPerson } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** An address that is told of changes: made in the interface, tested, agreed to by the office, told, ended. */
let pembit: RunningPembit;
let receiver: Receiver;
let maren: Person, office: Person;
beforeAll(async () => {
  receiver = await newReceiver();
  pembit = await startPembit({ PEMBIT_ALLOW_HOSTS: '127.0.0.1' });
  [maren, office] = await Promise.all([newPerson(), newPerson()]);
  for (const [person, name] of [[maren, 'Maren Toft'], [office, 'School office']] as const) {
    await person.open(pembit.pembitUrl);
    await person.click('button', `Sign in as ${name}`);
    await person.find('link', /^Your account/);
  }
}, 120_000); // prettier-ignore
afterAll(async () => {
  await Promise.all([maren, office].map((person) => person?.quit()));
  await Promise.all([pembit?.stop(), receiver?.close()]);
});

type Message = Readonly<{ type: string; data: { events: { list: string; change: string; uid: string }[] } }>;
const messages = () => receiver.deliveries.map(({ body }) => JSON.parse(body) as Message);

test('an instructor has an address told; who comes is told once the office agrees; its end is the end', async () => {
  const api = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  await api.call('POST', '/api/tokens', { name: 'Timetable program', scopes: ['read:plan', 'read:hours'] });
  const host = new URL(receiver.url).host;
  await maren.open(`${pembit.pembitUrl}/tokens`);
  await maren.sees('No addresses.');
  await maren.unfold('Tell another address');
  await maren.type('The address', 'nowhere');
  await maren.click('button', 'Tell this address');
  await maren.sees('Give an address with https');
  await maren.type('The address', receiver.url);
  await maren.click('button', 'Tell this address');
  await maren.sees(`Changes are told to ${host} once the office has agreed`);
  expect(await (await maren.find('field', `Signing secret: ${host}`)).getAttribute('value')).toMatch(/^whsec_/); // prettier-ignore
  await maren.sees('the office has to agree first');
  receiver.answerWith(503);
  await maren.click('button', `Send a test to ${host}`);
  await maren.sees('It answered 503.');
  receiver.answerWith(204);
  await maren.click('button', `Send a test to ${host}`);
  await maren.sees(`${host} took the test`);
  expect(messages().map(({ type }) => type)).toEqual(['pembit.test', 'pembit.test']);

  await office.open(`${pembit.pembitUrl}/tokens`);
  await office.sees('of Maren Toft');
  await office.click('button', `Agree to ${host}`);
  await office.sees(`${host} is told who comes`);

  const planned = { kind: 'event', title: 'Launch', start: '2026-10-20T12:00', audience: [{ course: demoId('HL 210') }] }; // prettier-ignore
  const { uid } = (await (await api.call('POST', '/api/entries', planned)).json()) as { uid: string };
  await expect.poll(() => messages().flatMap(({ data }) => data.events), { timeout: 15_000 }).toContainEqual(expect.objectContaining({ list: 'entries', change: 'new', uid })); // prettier-ignore
  expect(receiver.deliveries.map(({ body }) => body).join()).not.toContain('Launch');
  await maren.open(`${pembit.pembitUrl}/tokens`);
  await maren.sees('Last told');
  await maren.click('button', `End telling ${host}`);
  await maren.sees(`${host} is told nothing any more`);
  await maren.sees('No addresses.');
});
