import { afterAll, beforeAll, expect, test } from 'vitest';
import type { Person } from './browser';
import { PHONE, newPerson } from './browser';
import { effortTable } from './effort';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** Office hours from both sides of the table, on a demo school of its own. */
let pembit: RunningPembit;
let maren: Person;
let ivo: Person;
let other: Person;
const { counted, print } = effortTable();
beforeAll(async () => {
  pembit = await startPembit();
  [maren, ivo, other] = await Promise.all([newPerson(), newPerson(PHONE), newPerson(PHONE)]);
  for (const [person, name] of [[maren, 'Maren Toft'], [ivo, 'Ivo Saltmarsh']] as const) {
    await person.open(`${pembit.pembitUrl}/sign-in`);
    await person.click('button', `Sign in as ${name}`);
    await person.find('link', /^Your account/);
  } // prettier-ignore
});
afterAll(async () => {
  print();
  await Promise.all([maren, ivo, other].map((person) => person?.quit()));
  await pembit?.stop();
});
/** Until a letter to Ivo says something: letters go out within seconds. */
const mailToIvo = (text: string) =>
  maren.driver.wait(async () => {
    const page = await fetch(`${pembit.standinsUrl}/mailbox?to=ivo%40kittiwake.example`);
    return (await page.text()).includes(text);
  }, 20_000);

test('twelve half-hour times on one day, in four inputs at most', async () => {
  await maren.open(`${pembit.pembitUrl}/office-hours/new`);
  await counted(maren, '12 half-hour times on one day', 4, async () => {
    await maren.type('Days and hours', 'Sat 24 Oct 10-4');
    await maren.type('What it is called', 'Open loft');
    await maren.click('button', 'Offer 12 times to 38 students');
  });
  await maren.find('link', 'Who comes: Open loft');
});

test('Tuesday and Thursday lunch, 25 + 5 minutes, all term; closures and one’s own classes are left out and named', async () => {
  await maren.open(`${pembit.pembitUrl}/office-hours/new`);
  await counted(maren, 'Tuesday and Thursday lunch, 25 + 5 minutes, all term', 8, async () => {
    await maren.type('What it is called', 'Lunch hours');
    await maren.type('Days and hours', 'Tue Thu 12-2');
    await maren.type('Minutes of a time', '25');
    await maren.type('Minutes between times', '5');
    await maren.choose('How often', 'every week to');
    await maren.sees('Reading week: 8 times fall on it and are not offered.');
    await maren.sees('you have Lofting demonstration. It is left out.');
    await maren.sees('over 9 weeks');
    await maren.click('button', /^Offer \d+ times to 38 students/);
  });
  await maren.find('link', 'Who comes: Lunch hours');
});

test('stretches are painted over the week, times left out one by one; over midnight is asked', async () => {
  await maren.open(`${pembit.pembitUrl}/office-hours/new`);
  await maren.type('Days and hours', '');
  const day = await maren.element('[data-day="2026-10-14"]');
  const { height } = await day.getRect();
  const from = { x: 0, y: Math.round(-height / 2 + height * (1 / 12) + 4) };
  await maren.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', day);
  await maren.driver
    .actions()
    .move({ origin: day, ...from })
    .press()
    .move({ origin: day, x: 0, y: from.y + 20 })
    .move({ origin: day, x: 0, y: from.y + Math.round(height / 6) - 6, duration: 100 })
    .pause(60)
    .release()
    .perform();
  await maren.sees('4 times on 1 day');
  await maren.click('button', '09:30: offered. Leave it out');
  await maren.sees('1 time is left out.');
  await maren.sees('3 times on 1 day');
  await maren.type('Days and hours', 'Thu 22-1');
  await maren.sees('This runs over midnight.');
  await maren.click('button', 'Offer it over midnight');
  await maren.sees('6 times on 2 days');
  await maren.type('Days and hours', 'Thu 4-6');
  await maren.click('button', 'Thu 16:00-18:00');
  await maren.sees('4 times on 1 day');
});

test('a student takes a time in two taps, exchanges it and gives it back in two; both sides agree within seconds', async () => {
  await maren.open(`${pembit.pembitUrl}/office-hours`);
  await maren.click('link', 'Who comes: Open loft');
  await maren.sees('No time yet this term');
  await ivo.open(`${pembit.pembitUrl}/sign-up`);
  await ivo.sees('Open loft');
  // A second attempt begins where the first one ended.
  if ((await ivo.text()).includes('Sat 24 Oct, 1')) {
    await ivo.click('button', 'Give back');
    await ivo.sees('is free again');
  }
  await counted(ivo, 'student: take a time', 2, async () => {
    await ivo.clickOn('section[aria-label*="Open loft"] button[aria-label^="10:30"]');
    await ivo.click('button', 'Take this time');
  });
  await ivo.sees('Sat 24 Oct, 10:30 is yours');
  // Nobody has pressed anything on the other side.
  await maren.sees(/10:30–11:00 Ivo Saltmarsh/);
  await ivo.click('button', 'Exchange');
  await ivo.clickOn('section[aria-label*="Open loft"] button[aria-label^="11:00"]');
  await ivo.click('button', 'Exchange for this time');
  await ivo.sees('Your time is now Sat 24 Oct, 11:00');
  await maren.sees(/11:00–11:30 Ivo Saltmarsh/);
  await counted(ivo, 'student: give it back', 2, async () => {
    await ivo.click('button', 'Give back');
    await ivo.sees('is free again');
  });
  await maren.doesNotSee('11:00–11:30 Ivo Saltmarsh');
  for (const text of ['Your time: Open loft', 'Changed: Open loft', 'Cancelled: Open loft', 'METHOD:CANCEL'])
    await mailToIvo(text);
});

test('a private meeting is made when a time is taken, and withdrawn when it is given back', async () => {
  await maren.open(`${pembit.pembitUrl}/office-hours/new`);
  await maren.type('What it is called', 'Video clinic');
  await maren.type('Days and hours', 'Sat 24 Oct 8-9');
  await maren.choose('Where', 'at a private link for each');
  await maren.click('button', 'Offer 2 times to 38 students');
  await maren.find('link', 'Who comes: Video clinic');
  await ivo.open(`${pembit.pembitUrl}/sign-up`);
  await ivo.clickOn('section[aria-label*="Video clinic"] button[aria-label^="08:00"]');
  await ivo.click('button', 'Take this time');
  const join = await (await ivo.find('link', 'Join')).getAttribute('href');
  expect(join).toMatch(/\/meetings\/[0-9a-f-]{36}$/);
  expect((await fetch(join!)).status).toBe(200);
  await maren.click('link', 'Who comes: Video clinic');
  expect(await (await maren.find('link', 'Join')).getAttribute('href')).toBe(join);
  await ivo.click('button', 'Give back');
  await ivo.sees('is free again');
  await ivo.driver.wait(async () => (await fetch(join!)).status === 404, 30_000);
});

test('a student without a password takes a time through a link by mail, which a look does not spend', async () => {
  const address = await (
    await maren.element('input[aria-label="Address of the sheet"]')
  ).getAttribute('value');
  await other.open(address!);
  await other.type('E-mail address', 'signe@kittiwake.example');
  await other.click('button', 'Send me a link');
  await other.sees('a letter is on its way');
  let link = '';
  await other.driver.wait(async () => {
    const page = await (await fetch(`${pembit.standinsUrl}/mailbox?to=signe%40kittiwake.example`)).text();
    link = /href="([^"]*\/s\/[^"]*link=[\w-]+)"/.exec(page)?.[1] ?? '';
    return link !== '';
  }, 20_000);
  // As a scanner of mail would.
  expect((await fetch(link)).status).toBe(200);
  await other.open(link);
  await other.click('button', 'Go on to the times');
  await other.clickOn('button[aria-label^="08:30"]');
  await other.click('button', 'Take this time');
  await other.sees('Sat 24 Oct, 08:30 is yours');
  await other.driver.manage().deleteAllCookies();
  await other.open(link);
  await other.sees('This link does not hold any more');
});

const SLOW_PAGES = `const own = window.fetch;
  window.fetch = async (...given) => {
    if (String(given[0]?.url ?? given[0]).includes('_rsc=')) await new Promise((done) => setTimeout(done, 5000));
    return own(...given);
  };`;

test('waiting: what is given back is offered to who waits, who takes it', async () => {
  await maren.open(`${pembit.pembitUrl}/office-hours/new`);
  await maren.type('What it is called', 'Last chance');
  await maren.type('Days and hours', 'Sat 31 Oct 9-9:30');
  await maren.unfoldAt('main details');
  await maren.click('field', 'A waiting list for times that are taken');
  await maren.click('button', 'Offer 1 time to 38 students');
  await maren.find('link', 'Who comes: Last chance');
  await other.open(`${pembit.pembitUrl}/sign-in`);
  await other.type('E-mail address', 'signe@kittiwake.example');
  await other.type('Password', 'pembit-demo-2026');
  await other.click('button', 'Sign in');
  await other.find('link', /^Your account/);
  await other.open(`${pembit.pembitUrl}/sign-up`);
  await other.clickOn('section[aria-label*="Last chance"] button');
  await ivo.open(`${pembit.pembitUrl}/sign-up`);
  // On a line where drawing a page takes longer than the pause between two looks.
  await ivo.driver.executeScript(SLOW_PAGES);
  await other.click('button', 'Take this time');
  await other.sees('Sat 31 Oct, 09:00 is yours');
  await ivo.element('section[aria-label*="Last chance"] button[aria-label*="wait for it"]');
  await ivo.open(`${pembit.pembitUrl}/sign-up`);
  await ivo.clickOn('section[aria-label*="Last chance"] button[aria-label*="wait for it"]');
  await ivo.click('button', 'Wait for it');
  await ivo.sees('You wait for Sat 31 Oct, 09:00');
  // The list itself, drawn anew: the first of the two times is another one.
  await other.clickOn('section[aria-labelledby=yours] li:nth-child(2) button');
  await other.sees('is free again');
  await ivo.clickOn('section[aria-label*="Last chance"] button[aria-label*="kept for you"]');
  await ivo.click('button', 'Take this time');
  await ivo.sees('Sat 31 Oct, 09:00 is yours');
});

test('the staff’s page: a day is cancelled with a message, other times show who is affected', async () => {
  await maren.open(`${pembit.pembitUrl}/office-hours`);
  await maren.click('link', 'Who comes: Last chance');
  await maren.click('link', 'Change the sheet');
  await maren.type('Days and hours', 'Sat 31 Oct 10-11');
  await maren.click('button', 'Look who is affected');
  await maren.sees('1 person has a time that is not among these:');
  await maren.sees('Ivo Saltmarsh, Sat 31 Oct, 09:00–09:30');
  await maren.click('button', 'Save');
  await maren.sees('10:00–10:30');
  await maren.sees(/09:00–09:30 Ivo Saltmarsh/);
  await maren.click('button', /^Change 09:00/);
  await maren.type('Another place', 'Shed 2');
  await maren.click('button', 'Save');
  await maren.sees(/09:00–09:30 Shed 2 Ivo Saltmarsh/);
  await mailToIvo('Shed 2');
  await maren.open(`${pembit.pembitUrl}/office-hours`);
  await maren.click('link', 'Who comes: Last chance');
  await maren.click('button', /^Change 09:00/);
  await maren.click('button', 'Remove the time');
  await maren.type('What Ivo Saltmarsh reads about it', 'The stem is not glued yet.');
  await maren.click('button', 'Remove it and write to them');
  await maren.sees('Cancelled the time 09:00–09:30');
  await maren.click('button', 'Undo');
  await maren.sees('Undone.');
  await maren.sees(/09:00–09:30 Shed 2 Ivo Saltmarsh/);
  await maren.click('button', 'Cancel times');
  await maren.type('What you say to them', 'The loft is closed.');
  await maren.click('button', 'Cancel these times');
  await maren.sees('Cancelled 3 times; 1 student is told');
  await mailToIvo('The loft is closed.');
});
