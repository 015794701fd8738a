import { describe, expect, test } from 'vitest';
import { OUTLET_KINDS } from './outlet';
import { outletInput, personalFeedInput } from './outletInput';

const COURSE = '11111111-1111-4111-8111-111111111111';
const feed = (changes: object = {}) => ({
  kind: 'feed',
  audience: 'public',
  name: 'Hull lofting',
  courses: [COURSE],
  ...changes,
});
const look = (changes: object) => feed({ kind: 'embed', look: changes });
const refusals = (input: unknown) => {
  const read = outletInput.safeParse(input);
  return read.success ? [] : read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
};

test('what is left out publishes everything but the addresses of meetings, without reminders', () => {
  expect(outletInput.parse(feed())).toMatchObject({
    kinds: OUTLET_KINDS, meetingLinks: false, reminders: [], tags: true, detail: 'full', times: 'days', calendars: [],
  }); // prettier-ignore
});

describe('what is refused is named, with what to do', () => {
  test.each([
    ['a third kind', feed({ kind: 'poster' }), 'kind: Choose "feed" or "embed".'],
    ['a personal one: Pembit makes it', feed({ audience: 'personal' }), 'audience: Choose "public" or "roster".'],
    ['no name', feed({ name: '' }), 'name: Give it a name.'],
    ['no course', feed({ courses: [] }), 'courses: Tick at least one course.'],
    ['nothing of it', feed({ kinds: [] }), 'kinds: Tick at least one kind.'],
    ['a reminder after the event', feed({ reminders: [{ kind: 'due', minutes: -5 }] }), 'reminders.0.minutes: At least 0 minutes.'],
    ['a reminder months before', feed({ reminders: [{ kind: 'due', minutes: 60_000 }] }), 'reminders.0.minutes: At most five weeks before.'],
    ['half a day back', feed({ daysBack: 0.5 }), 'daysBack: Whole days only.'],
    ['a language nobody speaks', look({ locale: 'no_such' }), 'look.locale: There is no such language. Write it as en-GB or fr-CA.'],
    ['a page of two lines', look({ height: 40 }), 'look.height: At least 120 pixels.'],
    ['a page that is no site', look({ origins: ['javascript:alert(1)'] }), 'look.origins.0: Type the address of a site, such as https://site.example.'],
    ['half a site', look({ origins: ['site.example'] }), 'look.origins.0: Type the address of a site, such as https://site.example.'],
  ])('%s', (_, input, sentence) => expect(refusals(input)).toEqual([sentence])); // prettier-ignore
});

test('of the address of a page, its site is kept', () => {
  const read = outletInput.parse(look({ origins: [' https://Site.example:443/course/1?x=2 ', 'http://site.example:8080'] }));
  expect(read.look.origins).toEqual(['https://site.example', 'http://site.example:8080']);
}); // prettier-ignore

test('a personal feed holds at least one kind, private notes too if one likes', () => {
  expect(personalFeedInput.safeParse({ kinds: [] }).success).toBe(false);
  expect(personalFeedInput.parse({ kinds: ['due', 'note'] }).kinds).toEqual(['due', 'note']);
});
