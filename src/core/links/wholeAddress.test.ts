import { describe, expect, test } from 'vitest';
import { wholeAddress } from './wholeAddress';

describe('an address without its scheme', () => {
  test.each([
    ['library.example', 'https://library.example'],
    ['www.library.example/floor?page=2#top', 'https://www.library.example/floor?page=2#top'],
    ['meet.school.example:8443/room', 'https://meet.school.example:8443/room'],
  ])('%s gets https', (typed, whole) => expect(wholeAddress(typed)).toBe(whole));
  test.each([
    'http://library.example',
    'mailto:a@b.example',
    'tideway/pilot',
    'call me',
    'javascript:alert(1)',
    'meet',
    '3.5',
    '',
  ])('%s stays', (typed) => expect(wholeAddress(typed)).toBe(typed));
});
