import { expect, test } from 'vitest';
import { loggedPath } from './log';

test.each([
  ['/term', '/term'],
  ['/everything?q=a+name', '/everything'],
  ['/feeds/AbC-dEf_123.ics', '/feeds/….ics'],
  ['/embed/AbC123/e/1?kind=due', '/embed/…/e/1'],
  ['/join/AbC123', '/join/…'],
  ['/welcome/AbC123?x=1', '/welcome/…'],
  ['/s/0b0e?link=AbC123', '/s/0b0e'],
])('%s is logged as %s', (url, logged) => expect(loggedPath(url)).toBe(logged));
