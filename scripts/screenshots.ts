/** npm run screenshots: one picture of each main view, from the demo data, into docs/screenshots/. */
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { panelTexts } from '../src/core/texts/term';
import { MAREN } from '../src/server/demo/people';
import { signedIn } from '../tests/support/api';
import { calendarsAreRead } from '../tests/support/calendars';
import type { Person } from '../tests/browser/browser';
import { DESKTOP, PHONE, newPerson } from '../tests/browser/browser';
import { startPembit } from '../tests/browser/server';

const FOLDER = path.join(import.meta.dirname, '../docs/screenshots');

const pembit = await startPembit();
const person: Person = await newPerson();
mkdirSync(FOLDER, { recursive: true });

async function become(name: string): Promise<void> {
  await person.driver.manage().deleteAllCookies();
  await person.open(`${pembit.pembitUrl}/sign-in`);
  await person.click('button', `Sign in as ${name}`);
  await person.find('link', /^Your account/);
}

async function picture(name: string, view: string, size = DESKTOP): Promise<void> {
  await person.size(size);
  await person.open(view.startsWith('http') ? view : pembit.pembitUrl + view);
  await save(name);
}

async function save(name: string): Promise<void> {
  // What was opened is fetched after the page is there.
  await person.driver.wait(async () => !(await person.text()).includes(panelTexts.opening), 10_000);
  // Fonts are part of the picture.
  await person.driver.executeAsyncScript(
    'const done = arguments[0]; document.fonts.ready.then(() => requestAnimationFrame(() => done()));',
  );
  writeFileSync(path.join(FOLDER, `${name}.png`), await person.driver.takeScreenshot(), 'base64');
}

/** Next term's course, into which the plan is carried. */
async function winterCourse(): Promise<string> {
  const office = await signedIn(pembit.pembitUrl, 'office@kittiwake.example');
  const made = async (route: string, body: object) =>
    ((await (await office.call('POST', route, body)).json()) as { id: string }).id;
  const term = await made('/api/terms', { name: 'Winter 2027', startsOn: '2027-01-11', endsOn: '2027-04-30', tzid: 'America/Halifax' }); // prettier-ignore
  await made('/api/closures', { term, name: 'Ice week', firstDay: '2027-02-15', lastDay: '2027-02-19' });
  return made('/api/courses', { term, instructor: MAREN.id, code: 'HL 210', title: 'Hull lofting', tag: 'HL', color: 'brick', sections: [{ name: 'A', week: 'Mon Wed 10-11:15' }] }); // prettier-ignore
}

try {
  await calendarsAreRead(await signedIn(pembit.pembitUrl, 'maren@kittiwake.example'));
  await become('Maren Toft');
  await person.open(`${pembit.pembitUrl}/term`);
  await person.click('button', /Due, by 17:00, Half-breadth plan/);
  await person.find('button', 'Edit');
  await save('term');
  await person.driver.executeScript("sessionStorage.removeItem('panel')");
  await picture('today', '/today');
  await picture('week', '/week');
  await picture('everything', '/everything');
  await picture('checks', '/checks');
  await picture('materials', '/materials');
  await picture('load', '/load');
  await picture('office-hours', '/office-hours');
  await person.open(`${pembit.pembitUrl}/office-hours/new`);
  await person.type('Days and hours', 'Tue Thu 12-2');
  await person.choose('How often', 'every week to');
  await save('offer-times');
  await picture('publish', '/publish');
  await person.open(`${pembit.pembitUrl}/publish/new?kind=embed&course=HL%20210`);
  await person.click('field', 'NV Coastal navigation');
  await person.choose('What the page shows', 'One month');
  // The preview is a page of its own, and comes a moment later.
  await person.driver.wait(() =>
    person.driver.executeScript<boolean>(
      "return Boolean(document.querySelector('iframe')?.contentDocument?.querySelector('h1'))",
    ),
  );
  await save('compose');
  await picture('calendars', '/calendars');
  await picture('course', '/courses/HL%20210');
  await picture('carry-over', `/carry-over?to=${await winterCourse()}`);
  await become('School office');
  await picture('school', '/school');
  await become('Ivo Saltmarsh');
  await picture('next', '/next', PHONE);
  await picture('day-sheet', '/day/2026-10-13', PHONE);
  await picture('sign-up', '/sign-up', PHONE);
  const maren = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const outlets = (await (await maren.call('GET', '/api/outlets')).json()) as { kind: string; url: string }[];
  await picture('embed', outlets.find((outlet) => outlet.kind === 'embed')!.url, { width: 640, height: 800 });
} finally {
  await person.quit();
  await pembit.stop();
}
