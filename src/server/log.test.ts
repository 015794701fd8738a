import { expect, test } from 'vitest';
import { loggedPath } from './log';

const SECRET = 'q3Zr-0_aBcDeFgHiJkLmNoPqRsTuVwXyZ0123456789';
const ID = '393975ec-e395-8a68-a77d-62cde8385821';

test.each([
  ['/term', '/term'],
  ['/everything?q=a+name', '/everything'],
  ['/feeds/AbC-dEf_123.ics', '/feeds/….ics'],
  ['/embed/AbC123/e/1?kind=due', '/embed/…/e/1'],
  ['/join/AbC123', '/join/…'],
  ['/welcome/AbC123?x=1', '/welcome/…'],
  ['/s/0b0e?link=AbC123', '/s/0b0e'],
  [`/g/${SECRET}/${SECRET}`, '/g/…/…'],
  [`/guardian/${SECRET}`, '/guardian/…'],
  [`/guardian/confirm/${ID}/${SECRET}`, `/guardian/confirm/${ID}/…`],
  [`/letters/${ID}.changes.${SECRET}`, `/letters/${ID}.changes.…`],
  [`/api/unsubscribe/${ID}.near.${SECRET}`, `/api/unsubscribe/${ID}.near.…`],
  [`/e/${ID}`, `/e/${ID}`],
])('%s is logged as %s', (url, logged) => expect(loggedPath(url)).toBe(logged));
