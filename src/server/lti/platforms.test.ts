import { describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import { knownOnSite, siteInput, siteSchool } from '../../../tests/support/siteSchool';
import { select } from '@/data/database';
import { everyPlatform, platformsOf } from '@/data/lti/platforms';
import {
  acceptPlatform,
  endPlatform,
  makeRegistrationAddress,
  registerWith,
  savePlatform,
} from './platforms';

const HOUR = 3_600_000;
const at = siteSchool();

describe('a at.site registers itself', () => {
  const form = () =>
    new URLSearchParams({ openid_configuration: `${at.platform.origin}/configuration`, registration_token: 'theirs' }); // prettier-ignore
  const code = async () =>
    valueOf(await makeRegistrationAddress(at.pembit, at.admin))
      .url.split('/')
      .at(-1)!;

  test('once, with what Pembit is, and waits for the office', async () => {
    const own = await code();
    expect(await registerWith(at.pembit, own, form())).toBe('done');
    expect(at.platform.registrations[0]).toMatchObject({
      token: 'Bearer theirs',
      body: {
        initiate_login_uri: `${at.pembit.config.baseUrl}/lti/login`,
        redirect_uris: [`${at.pembit.config.baseUrl}/lti/launch`],
        jwks_uri: `${at.pembit.config.baseUrl}/lti/keys.json`,
        token_endpoint_auth_method: 'private_key_jwt',
      },
    });
    const [registered] = await platformsOf(at.pembit, at.platform.issuer, 'client-1');
    expect(registered).toMatchObject({ accepted: false, deployments: ['7'], origins: [at.platform.origin] });
    expect(await registerWith(at.pembit, own, form())).toBe('over');
    valueOf(await acceptPlatform(at.pembit, at.admin, registered!.id));
    expect((await platformsOf(at.pembit, at.platform.issuer, 'client-1'))[0]!.accepted).toBe(true);
  });

  test('not an hour later, not without an address, not where it says that it is another', async () => {
    expect(await registerWith(at.pembit, 'made-up', form())).toBe('over');
    expect(await registerWith(at.pembit, await code(), new URLSearchParams({ openid_configuration: `${at.platform.origin}/none` }))).toBe('refused'); // prettier-ignore
    expect(await registerWith(at.pembit, await code(), new URLSearchParams())).toBe('badSite');
    const late = await code();
    at.school.later(HOUR + 1);
    expect(await registerWith(at.pembit, late, form())).toBe('over');
  });

  test('is for the office alone, which connects by hand as well, and disconnects', async () => {
    expect(await makeRegistrationAddress(at.pembit, at.school.instructor)).toMatchObject({ ok: false });
    expect(await savePlatform(at.pembit, at.school.instructor, siteInput(at))).toMatchObject({ ok: false });
    expect(await savePlatform(at.pembit, at.admin, siteInput(at))).toMatchObject({
      ok: false,
      fields: [{ field: 'clientId' }],
    });
    expect(await endPlatform(at.pembit, at.school.instructor, at.site)).toMatchObject({ ok: false });
    await knownOnSite(at);
    valueOf(await endPlatform(at.pembit, at.admin, at.site));
    expect([await everyPlatform(at.pembit), await select(at.pembit, 'SELECT id FROM lti_accounts')]).toEqual([
      [],
      [],
    ]);
  });
});
