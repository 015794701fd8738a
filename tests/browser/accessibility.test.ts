import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import type { Person } from './browser';
import { DESKTOP, PHONE, newPerson } from './browser';
import { violations } from './violations';
import { EMBED_VIEWS } from '../../src/core/outlets/outlet';
import { demoId } from '../../src/server/demo/demoIds';
import type { SectionId } from '../../src/core/ids';
import { meetingIdOf } from '../../src/server/frame/meetingId';
import { letterHtml } from '../../src/server/mail/letterHtml';
import { signedIn } from '../support/api';

const base = inject('pembitUrl');

/** Section A's class of 15 October. */
const classOn15 = meetingIdOf(demoId<SectionId>('HL 210 A'), '2026-10-15');

const PAGES: Readonly<Record<string, readonly string[]>> = {
  nobody: ['/sign-in', '/forgotten', '/accessibility', '/e/nothing', '/lti/elsewhere?to=/account'],
  maren: [
    '/week',
    '/today',
    '/everything',
    '/checks',
    '/materials',
    '/term',
    '/office-hours',
    '/office-hours/new',
    '/publish',
    '/publish/all',
    '/publish/new?kind=embed',
    '/calendars',
    '/carry-over',
    '/load',
    '/courses',
    '/courses/HL%20210',
    '/account',
    '/help',
    '/close?day=2026-10-20',
    '/away?from=2026-10-20',
    '/schedule',
    '/write',
    `/e/${demoId(`${demoId('HL 210')} assignment Half-breadth plan`)}`,
  ],
  office: ['/school', '/school/tables', '/tokens'],
  ivo: [
    '/next',
    '/due',
    '/month',
    '/term',
    '/materials',
    '/sign-up',
    '/subscribe',
    `/class/${classOn15}`,
    `/e/${demoId(`${demoId('HL 210')} assignment Half-breadth plan`)}`,
    '/day/2026-10-15',
    '/day/2026-10-18',
    '/day/2026-10-08..2026-10-15',
  ],
};

let person: Person;
/** The address of an embed in each view. */
const embeds: Record<string, string> = {};
beforeAll(async () => {
  person = await newPerson();
  const maren = await signedIn(base, 'maren@kittiwake.example');
  for (const view of EMBED_VIEWS) {
    const entry =
      view === 'entry' ? { entry: demoId(`${demoId('HL 210')} assignment Half-breadth plan`) } : {};
    const made = await maren.call('POST', '/api/outlets', {
      kind: 'embed',
      audience: 'public',
      name: `Shown: ${view}`,
      courses: [demoId('HL 210')],
      look: { view, ...entry },
    });
    embeds[view] = ((await made.json()) as { url: string }).url;
  }
});
afterAll(() => person.quit());

const SCREENS = [
  ['light', DESKTOP, false],
  ['dark', DESKTOP, true],
  ['phone', PHONE, false],
] as const;
/** On a phone where students and parents look; each page takes seconds. */
const onPhone = (who: string) => who === 'nobody' || who === 'ivo';

/** Views of an embed that are read in the dark and on a phone as well: the others are made of the same lines. */
const ELSEWHERE = ['days', 'month', 'course'];

const NAMES: Readonly<Record<string, string>> = {
  maren: 'Maren Toft',
  ivo: 'Ivo Saltmarsh',
  office: 'School office',
};

async function become(who: string, at = person): Promise<void> {
  // Cookies are those of the page that one is on.
  await at.open(`${base}/sign-in`);
  await at.driver.manage().deleteAllCookies();
  await at.open(`${base}/sign-in`);
  if (who === 'nobody') return;
  await at.click('button', `Sign in as ${NAMES[who]}`);
  await at.find('link', /^Your account/);
}

/** What is wrong with a page: in the light, in the dark, and on a phone. */
async function wrongWith(at: Person, path: string, phone: boolean): Promise<string[]> {
  await at.size(DESKTOP);
  await at.open(base + path);
  const found = [await violations(at)];
  // A page that is not there has nothing wrong with it.
  if (path !== '/e/nothing' && (await at.text()).includes('Nothing here for you'))
    found.push(['there is nothing here']);
  await at.size(DESKTOP, true);
  found.push(await violations(at, true));
  if (phone) {
    await at.size(PHONE);
    await at.open(base + path);
    found.push(await violations(at));
  }
  return found.flatMap((list, i) => list.map((violation) => `${path}, ${SCREENS[i]![0]}: ${violation}`));
}

/** Each in a browser of their own, side by side. What axe finds it finds again: a second attempt is minutes for nothing. */
test.concurrent.each(Object.keys(PAGES))(
  'axe finds nothing on the pages of %s',
  { retry: 0, timeout: 600_000 },
  async (who) => {
    const own = await newPerson();
    try {
      await become(who, own);
      const found: string[] = [];
      for (const path of PAGES[who]!) found.push(...(await wrongWith(own, path, onPhone(who))));
      expect(found).toEqual([]);
    } finally {
      await own.quit();
    }
  },
);

describe('axe finds nothing', () => {
  test.each(SCREENS)(
    'on the staff’s pages of a sheet and of a day, and at a sheet’s own address, %s',
    async (_, size, dark) => {
      await person.size(DESKTOP);
      await become('maren');
      await person.open(`${base}/office-hours`);
      const own = (await (await person.find('link', 'Who comes: Office hours')).getAttribute('href'))!;
      await person.size(size, dark);
      for (const path of [own, `${own}/change`, `${base}/day/2026-10-13?course=HL%20210`]) {
        await person.open(path);
        expect(await violations(person)).toEqual([]);
      }
      await become('nobody');
      const address = own.replace('/office-hours/', '/s/');
      for (const path of [address, `${address}?link=spent`]) {
        await person.open(path);
        expect(await violations(person)).toEqual([]);
      }
    },
  );

  test('in the panel: an entry, and the form of a new one', async () => {
    await person.size(DESKTOP);
    await become('maren');
    await person.open(`${base}/term`);
    await person.click('button', /Due, by 17:00, Half-breadth plan/);
    await person.find('button', 'Edit');
    expect(await violations(person)).toEqual([]);
    await person.click('button', 'Edit');
    await person.find('button', /^Save for/);
    expect(await violations(person)).toEqual([]);
  });

  test.each(SCREENS)('in the views of an embed, %s', async (screen, size, dark) => {
    await person.size(size, dark);
    const found: string[] = [];
    for (const [view, url] of Object.entries(embeds)) {
      if (screen !== 'light' && !ELSEWHERE.includes(view)) continue;
      await person.driver.get(url);
      found.push(...(await violations(person, dark)).map((violation) => `${view}: ${violation}`));
    }
    expect(found).toEqual([]);
  });

  test('in a letter as HTML', async () => {
    const html = letterHtml({
      subject: 'Your time',
      text: 'Hello Ivo,\n\nit is yours.\n\nhttps://x.example/s/1\n',
    });
    await person.size(DESKTOP);
    await person.driver.get(`data:text/html;charset=utf-8,${encodeURIComponent(html)}`);
    expect(await violations(person)).toEqual([]);
  });
});

test('the term grid is worked by keyboard: arrows move, typing adds, what was typed survives a reload', async () => {
  await person.size(DESKTOP);
  await become('maren');
  await person.open(`${base}/term`);
  const cell = await person.find('cell', /^week 6, Tue 13 Oct, today/);
  await person.driver.executeScript('arguments[0].focus()', cell);
  await person.press('\uE015', '\uE014', 'T'); // down, right, and what the title begins with
  await person.find('field', 'Title');
  expect(await (await person.find('field', 'Day')).getAttribute('value')).toBe('Wed 21 Oct');
  expect(await (await person.find('field', 'Title')).getAttribute('value')).toBe('T');
  await person.type('Title', 'Typed by keyboard');
  await person.driver.navigate().refresh();
  expect(await (await person.find('field', 'Title')).getAttribute('value')).toBe('Typed by keyboard');
  await person.type('Title', '');
  await person.type('Starts', 'soonish');
  await person.click('button', 'Save');
  await person.sees('Give it a title.');
  await person.sees('Choose at least one course.');
  await person.sees('This is not a time.');
  await person.click('button', 'Cancel');
});

test('where the system chooses all colours, what is chosen, taken and now is still told', async () => {
  await person.size(DESKTOP, false, true);
  await become('maren');
  await person.open(`${base}/term`);
  await person.find('cell', /^week 6, Tue 13 Oct, today/);
  const ground = async (css: string) => (await person.element(css)).getCssValue('background-color');
  const nav = 'nav a[href="/week"]';
  expect(await ground('nav a[href="/term"][aria-current]')).not.toBe(await ground(nav));
  const times = '[data-taken]';
  expect(await ground(`${times}[data-taken="true"]`)).not.toBe(
    await ground(`${times}:not([data-taken="true"])`),
  );
  const today = await person.find('cell', /^week 6, Tue 13 Oct, today/);
  expect(await today.getCssValue('outline-style')).toBe('solid');
  await person.size(DESKTOP);
});
