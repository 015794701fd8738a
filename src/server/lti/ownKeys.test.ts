import { describe, expect, test } from 'vitest';
import { siteSchool } from '../../../tests/support/siteSchool';
import { select } from '@/data/database';
import { publicKeys, rotateKeys, signForSite } from './ownKeys';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const at = siteSchool();

describe('our own keys', () => {
  const kids = async () => (await publicKeys(at.pembit)).keys.map(({ kid }) => kid);
  const signer = async () => JSON.parse(Buffer.from((await signForSite(at.pembit, {})).split('.')[0]!, 'base64url').toString()) as { kid: string }; // prettier-ignore

  test('are shown without their private half, which the database holds sealed', async () => {
    const { keys } = await publicKeys(at.pembit);
    expect(keys).toHaveLength(1);
    expect(Object.keys(keys[0]!).sort()).toEqual(['alg', 'e', 'kid', 'kty', 'n', 'use']);
    const [row] = await select<{ sealed: string }>(at.pembit, 'SELECT sealed FROM lti_keys');
    expect(row!.sealed).not.toMatch(/"d"|kty/);
  });

  test('are made anew before 90 days are over; sites see a new one for a day before it signs, an old one for a month more', async () => {
    const [first] = await kids();
    at.school.later(89 * DAY);
    await rotateKeys(at.pembit);
    expect(await kids()).toHaveLength(2);
    expect((await signer()).kid).toBe(first);
    at.school.later(90 * DAY + HOUR);
    const second = (await kids()).find((kid) => kid !== first);
    expect((await signer()).kid).toBe(second);
    at.school.later(121 * DAY);
    await rotateKeys(at.pembit);
    expect(await kids()).toEqual([second]);
  });
});
