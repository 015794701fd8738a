import { expect, test } from 'vitest';
import { createVersions } from './versions';

test('a write outdates its scopes, or everything', () => {
  const versions = createVersions();
  const before = { a: versions.versionFor(['a']), b: versions.versionFor(['b']) };
  versions.outdate(1, ['a']);
  expect(versions.versionFor(['a'])).not.toBe(before.a);
  expect(versions.versionFor(['b'])).toBe(before.b);
  versions.outdate(2, undefined);
  expect(versions.versionFor(['b'])).not.toBe(before.b);
  expect(versions.version()).toBe(2);
});

test('what is told of a write is not forgotten when the answer comes that an earlier one was the last', () => {
  const versions = createVersions();
  const before = versions.versionFor(['a']);
  versions.setKnowing(false);
  versions.outdate(1, ['a']);
  versions.outdate(0, undefined);
  versions.setKnowing(true);
  expect(versions.versionFor(['a'])).not.toBe(before);
  expect(versions.version()).toBe(1);
});

test('while one does not learn of what others write no version is like the one before', () => {
  const versions = createVersions();
  versions.setKnowing(false);
  expect(versions.versionFor(['a'])).not.toBe(versions.versionFor(['a']));
  expect(versions.version()).not.toBe(versions.version());
});
