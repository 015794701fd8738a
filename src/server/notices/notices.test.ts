import { createDecipheriv, createECDH, hkdfSync, randomBytes } from 'node:crypto';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { closureInput, patternInput } from '@/core/frame/frameInput';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { addClosure } from '../frame/closures';
import { changeWeek } from '../frame/sections';
import { HELD_MS, tellChange } from '../history/tellChange';
import { undoChange } from '../history/undoChange';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { openSession, signedInBy, signOut } from '../session/session';
import { addDevice, endDevice, ownDevices } from './devices';
import { sendNotices } from './sendNotices';

type Keys = Readonly<{ publicKey: Buffer; privateKey: Buffer; auth: Buffer }>;

/** A browser's side of RFC 8291 (section 3) over RFC 8188 (one record, aes128gcm): what a message says. */
function decrypt(message: Buffer, { publicKey, privateKey, auth }: Keys): string {
  const salt = message.subarray(0, 16);
  const length = message[20]!;
  const sender = message.subarray(21, 21 + length);
  const ecdh = createECDH('prime256v1');
  ecdh.setPrivateKey(privateKey);
  const derive = (key: Buffer, by: Buffer, info: Buffer, octets: number) => Buffer.from(hkdfSync('sha256', key, by, info, octets)); // prettier-ignore
  const info = Buffer.concat([Buffer.from('WebPush: info\0'), publicKey, sender]);
  const ikm = derive(ecdh.computeSecret(sender), auth, info, 32);
  const key = derive(ikm, salt, Buffer.from('Content-Encoding: aes128gcm\0'), 16);
  const nonce = derive(ikm, salt, Buffer.from('Content-Encoding: nonce\0'), 12);
  const sealed = message.subarray(21 + length);
  const decipher = createDecipheriv('aes-128-gcm', key, nonce);
  decipher.setAuthTag(sealed.subarray(-16));
  const plain = Buffer.concat([decipher.update(sealed.subarray(0, -16)), decipher.final()]);
  // The last record ends with 0x02 and padding.
  return plain.subarray(0, plain.lastIndexOf(2)).toString();
}

/** RFC 8291, appendix A (from memory; its own tag proves it). */
test('what decrypts here is what RFC 8291 encrypts', () => {
  const octets = (text: string) => Buffer.from(text, 'base64url');
  const keys = {
    publicKey: octets('BCVxsr7N_eNgVRqvHtD0zTZsEc6-VV-JvLexhqUzORcxaOzi6-AYWXvTBHm4bjyPjs7Vd8pZGH6SRpkNtoIAiw4'),
    privateKey: octets('q1dXpw3UpT5VOmu_cf_v6ih07Aems3njxI-JWgLcM94'),
    auth: octets('BTBZMqHH6r4Tts7J_aSIgg'),
  };
  const message = octets(
    'DGv6ra1nlYgDCS1FRnbzlwAAEABBBP4z9KsN6nGRTbVYI_c7VJSPQTBtkgcy27mlmlMoZIIgDll6e3vCYLocInmYWAmS6TlzAC8wEqKK6PBru3jl7A_yl95bQpu6cVPTpK4Mqgkf1CXztLVBSt2Ks3oZwbuwXPXLWyouBWLVWGNWQexSgSxsj_Qulcy4a-fN',
  );
  expect(decrypt(message, keys)).toBe('When I grow up, I want to be a watermelon');
}); // prettier-ignore

type Received = { path: string; headers: http.IncomingHttpHeaders; body: Buffer };

let school: School;
let pembit: Pembit;
/** A stand-in of a browser's message service: it keeps what comes and answers as it is told. */
let service: http.Server;
let received: Received[];
let status: number;
beforeEach(async () => {
  school = await newSchool();
  pembit = { ...school.pembit, config: { ...school.pembit.config, allowedHosts: ['127.0.0.1'] } };
  received = [];
  status = 201;
  service = http.createServer((request, response) => {
    const chunks: Buffer[] = [];
    request.on('data', (chunk: Buffer) => chunks.push(chunk));
    request.on('end', () => {
      received.push({ path: request.url!, headers: request.headers, body: Buffer.concat(chunks) });
      response.writeHead(status).end();
    });
  });
  await new Promise<void>((ready) => service.listen(0, '127.0.0.1', ready));
});
afterEach(async () => {
  service.close();
  await school.close();
});

const newKeys = (): Keys => {
  const ecdh = createECDH('prime256v1');
  ecdh.generateKeys();
  return { publicKey: ecdh.getPublicKey(), privateKey: ecdh.getPrivateKey(), auth: randomBytes(16) };
};

async function signIn({ person }: SignedIn, shared = false): Promise<{ actor: SignedIn; token: string }> {
  const token = await openSession(pembit, person.id, { shared });
  return { actor: (await signedInBy(pembit, token))!, token };
}

/** A student at a device that takes notices at `/one` of the service. */
async function withDevice(path = '/one', who = school.students[0]!) {
  const { actor, token } = await signIn(who);
  const keys = newKeys();
  const { port } = service.address() as AddressInfo;
  const added = await addDevice(pembit, actor, {
    endpoint: `http://127.0.0.1:${port}${path}`,
    p256dh: keys.publicKey.toString('base64url'),
    auth: keys.auth.toString('base64url'),
    kind: 'phone',
  });
  return { actor, token, keys, added };
}
const read = (keys: Keys) => received.map(({ body }) => JSON.parse(decrypt(body, keys)) as { title: string; body: string; path: string }); // prettier-ignore

const office = (): SignedIn => ({ ...school.stranger, person: { ...school.stranger.person, isAdmin: true } });
/** The office closes the school on a day of classes and tells everybody. */
async function closeAndTell() {
  valueOf(await changeWeek(pembit, school.instructor, school.section, patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11' }))); // prettier-ignore
  const closed = await addClosure(pembit, office(), closureInput.parse({ term: school.term, name: 'Storm', firstDay: '2026-10-15', lastDay: '2026-10-15' })); // prettier-ignore
  valueOf(await tellChange(pembit, office(), historyOf(closed)));
  return historyOf(closed);
}

test('a first notice says that they are on; a closure that is told comes to the device, readable there alone', async () => {
  const { actor, keys } = await withDevice();
  await sendNotices(pembit);
  expect(read(keys)).toEqual([expect.objectContaining({ title: 'Urgent notices are on', path: '/account' })]);
  const [{ headers }] = received as [Received];
  expect(headers).toMatchObject({ 'content-encoding': 'aes128gcm', urgency: 'high', ttl: '43200' });
  // RFC 8292: the server names itself by its key, for this service alone.
  const [, jwt, key] = /^vapid t=([^,]+), k=(.+)$/.exec(headers.authorization!)!;
  expect(key).toBe((await ownDevices(pembit, actor)).publicKey);
  const claims = JSON.parse(Buffer.from(jwt!.split('.')[1]!, 'base64url').toString()) as { aud: string; sub: string }; // prettier-ignore
  expect(claims).toMatchObject({ aud: `http://127.0.0.1:${(service.address() as AddressInfo).port}`, sub: `mailto:${pembit.config.mailFrom}` }); // prettier-ignore
  received = [];
  await closeAndTell();
  await sendNotices(pembit);
  expect(received).toEqual([]);
  school.later(HELD_MS);
  await sendNotices(pembit);
  const [notice] = read(keys);
  expect(notice!.title).toContain('Storm');
  expect(notice!.body).toMatch(/15 Oct|Oct 15/);
  expect(notice!.body).not.toContain('http');
  // Once.
  await sendNotices(pembit);
  expect(received).toHaveLength(1);
});

test('undoing within the minute keeps it back; what may wait is not shown at all', async () => {
  await withDevice();
  await sendNotices(pembit);
  received = [];
  valueOf(await undoChange(pembit, office(), await closeAndTell()));
  school.later(2 * HELD_MS);
  await sendNotices(pembit);
  expect(received).toEqual([]);
});

test('a service that is busy is asked again; a device that is gone is forgotten', async () => {
  const { actor, keys } = await withDevice();
  status = 503;
  await sendNotices(pembit);
  await sendNotices(pembit);
  expect(received).toHaveLength(1);
  status = 201;
  school.later(60_000);
  await sendNotices(pembit);
  expect(read(keys)).toHaveLength(2);
  await closeAndTell();
  status = 410;
  school.later(3 * 60_000);
  await sendNotices(pembit);
  expect((await ownDevices(pembit, actor)).devices).toEqual([]);
});

test('notices are for whoever is signed in there: signing out ends them, and so does the list', async () => {
  const one = await withDevice('/one');
  const two = await withDevice('/two');
  const devices = async () => (await ownDevices(pembit, one.actor)).devices.map(({ here }) => here);
  expect(await devices()).toEqual([true, false]);
  await signOut(pembit, two.actor);
  expect(await devices()).toEqual([true]);
  const id = valueOf(one.added).id;
  expect(await endDevice(pembit, school.students[1]!, id)).toMatchObject({ ok: false, reason: 'notFound' });
  valueOf(await endDevice(pembit, one.actor, id));
  await sendNotices(pembit);
  expect(received).toEqual([]);
  // A session is one browser: what it said last holds.
  const { port } = service.address() as AddressInfo;
  const keys = {
    p256dh: one.keys.publicKey.toString('base64url'),
    auth: one.keys.auth.toString('base64url'),
  };
  for (const path of ['/three', '/four'])
    valueOf(await addDevice(pembit, one.actor, { ...keys, endpoint: `http://127.0.0.1:${port}${path}`, kind: 'phone' })); // prettier-ignore
  expect(await devices()).toEqual([true]);
  // The same browser for somebody else: it is theirs alone from then on.
  await withDevice('/one');
  await withDevice('/one', school.students[1]!);
  expect(await devices()).toEqual([true]);
});

test('a device that others use shows none, and what is not on the open internet is not asked', async () => {
  const { actor } = await signIn(school.students[0]!, true);
  const keys = newKeys();
  const device = { endpoint: 'https://push.example/1', p256dh: keys.publicKey.toString('base64url'), auth: keys.auth.toString('base64url'), kind: 'phone' } as const; // prettier-ignore
  expect(await addDevice(pembit, actor, device)).toMatchObject({ ok: false, reason: 'sharedDevice' });
  await withDevice();
  await sendNotices(school.pembit);
  expect(received).toEqual([]);
});
