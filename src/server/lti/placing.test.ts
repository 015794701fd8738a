import { createLocalJWKSet, jwtVerify } from 'jose';
import { describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import { siteSchool, waitingFor } from '../../../tests/support/siteSchool';
import type { Launch } from '@/core/lti/message';
import { placedInput } from '@/core/lti/placedInput';
import { publicKeys } from './ownKeys';
import { place } from './placing';

const HOUR = 3_600_000;
const at = siteSchool();

describe('what is placed', () => {
  const order = (more: object = {}) => ({
    opens: { kind: 'place' as const, order: { returnUrl: `${at.platform.origin}/back`, accepted: { types: ['ltiResourceLink', 'link', 'html'] as const, frames: true, several: false }, data: 'their own', ...more } },
  }); // prettier-ignore
  const DL = 'https://purl.imsglobal.org/spec/lti-dl/claim/';
  const placing = async (body: object, more: object = {}) => {
    const answer = await place(at.pembit, at.school.instructor, await waitingFor(at, order(more) as Partial<Launch>), placedInput.parse(body)); // prettier-ignore
    const { to, jwt } = valueOf(answer);
    expect(to).toBe(`${at.platform.origin}/back`);
    const keys = createLocalJWKSet(await publicKeys(at.pembit));
    return (await jwtVerify(jwt, keys, { issuer: at.platform.clientId, audience: at.platform.issuer, currentDate: new Date(at.pembit.now().epochMilliseconds) })).payload; // prettier-ignore
  };

  test('goes back signed, with the at.site’s own data, as the at.site takes it', async () => {
    const said = await placing({
      kind: 'day',
      path: '/day/2026-10-15?course=HL',
      title: 'Thursday',
      frame: 500,
    });
    expect(said).toMatchObject({
      [`${DL}data`]: 'their own',
      [`${DL}content_items`]: [{ type: 'ltiResourceLink', title: 'Thursday', url: `${at.pembit.config.baseUrl}/day/2026-10-15?course=HL`, iframe: { width: 800, height: 500 } }],
      'https://purl.imsglobal.org/spec/lti/claim/message_type': 'LtiDeepLinkingResponse',
      'https://purl.imsglobal.org/spec/lti/claim/deployment_id': '1',
    }); // prettier-ignore
    const plain = { accepted: { types: ['link'] as const, frames: false, several: false } };
    const link = await placing({ kind: 'view', path: '/next', title: 'Next', frame: 500 }, plain);
    expect(link[`${DL}content_items`]).toEqual([{ type: 'link', title: 'Next', url: `${at.pembit.config.baseUrl}/next` }]); // prettier-ignore
  });

  test('may be nothing', async () => {
    const { jwt } = valueOf(await place(at.pembit, at.school.instructor, await waitingFor(at, order() as Partial<Launch>), undefined)); // prettier-ignore
    const [, body] = jwt.split('.');
    expect(JSON.parse(Buffer.from(body!, 'base64url').toString())).toMatchObject({
      [`${DL}content_items`]: [],
    });
  });

  test.each([
    '/account',
    '/school',
    'https://elsewhere.example',
    '//elsewhere.example',
    '/lti/join',
    '/api/account',
  ])('is nothing that sites do not show: %s', (path) => {
    expect(placedInput.safeParse({ kind: 'view', path, title: 'x' }).success).toBe(false);
  });

  test('by nobody but who was asked, and who teaches', async () => {
    const id = await waitingFor(at, order() as Partial<Launch>);
    const input = placedInput.parse({ kind: 'view', path: '/next', title: 'Next' });
    expect(await place(at.pembit, at.school.students[0]!, id, input)).toMatchObject({
      ok: false,
      reason: 'launchOver',
    });
    const student = at.school.students[0]!;
    expect(await place(at.pembit, student, await waitingFor(at, order() as Partial<Launch>, student.person.id), input)).toMatchObject({ ok: false, reason: 'launchOver' }); // prettier-ignore
    at.school.later(3 * HOUR);
    expect(await place(at.pembit, at.school.instructor, id, input)).toMatchObject({
      ok: false,
      reason: 'launchOver',
    });
  });
});
