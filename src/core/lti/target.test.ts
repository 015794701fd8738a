import { expect, test } from 'vitest';
import { isOpenOnSites } from './openRoutes';
import { likelyCourse } from './likelyCourse';
import { isShownOnSites, targetPath } from './target';

const BASE = 'https://pembit.example';

test.each([
  ['/lti/launch', '/'],
  ['/next', '/next'],
  ['/day/2026-10-15?course=HL', '/day/2026-10-15?course=HL'],
  ['/e/0b0c', '/e/0b0c'],
  ['/sign-up', '/sign-up'],
  ['/account', undefined],
  ['/tokens', undefined],
  ['/school', undefined],
  ['/courses/HL', undefined],
  ['/lti/place/1', undefined],
  ['/day/a/b/c', undefined],
])('a launch to %s opens %s', (path, opens) => {
  expect(targetPath(BASE + path, BASE)).toBe(opens);
});

test.each(['/account', '/tokens', '/school', '/school/tables', '/courses', '/publish', '/guardian', '/setup', '/sign-in', '/welcome/x'])(
  '%s is not shown inside a course’s site',
  (path) => expect(isShownOnSites(path)).toBe(false),
); // prettier-ignore

test.each([
  ['POST', 'slots/1/booking', true],
  ['GET', 'entries/1', true],
  ['POST', 'history/1/undo', true],
  ['POST', 'lti/join', true],
  ['POST', 'tokens', false],
  ['PUT', 'account/password', false],
  ['DELETE', 'people/1', false],
  ['PUT', 'settings', false],
  ['POST', 'outlets', false],
  ['POST', 'webhooks', false],
  ['POST', 'commands/admin', false],
])('%s %s answers there: %s', (method, path, open) => {
  expect(isOpenOnSites(method, path)).toBe(open);
});

test.each([
  ['HL 210 Hull lofting, autumn', 'HL 210'],
  ['hull lofting', 'HL 210'],
  ['HL-210-A', 'HL 210'],
  ['Something else', undefined],
])('%s is most likely %s', (title, code) => {
  const courses = [
    { code: 'NV 140', title: 'Coastal navigation' },
    { code: 'HL 210', title: 'Hull lofting' },
  ];
  expect(likelyCourse(title, courses)?.code).toBe(code);
});
