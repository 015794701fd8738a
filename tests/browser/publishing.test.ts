import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { By } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import type { Person } from './browser';
import { newPerson, toFrame } from './browser';
import { effortTable } from './effort';

const pembit = inject('pembitUrl');
const standins = inject('standinsUrl');
const effort = effortTable();

let maren: Person;
let outside: Person;
const folder = mkdtempSync(path.join(tmpdir(), 'pembit-ics-'));
beforeAll(async () => {
  [maren, outside] = await Promise.all([newPerson(), newPerson()]);
  await maren.open(pembit);
  await maren.click('button', 'Sign in as Maren Toft');
  await maren.sees('What waits for you');
  await maren.open(`${pembit}/term`);
});
afterAll(async () => {
  effort.print();
  rmSync(folder, { recursive: true, force: true });
  await Promise.all([maren, outside].map((person) => person?.quit()));
});

const linkIn = async (css: string) => (await maren.element(css)).getAttribute('href');

test('a district’s calendar is looked at, added with its closures, and followed when it changes', async () => {
  await maren.open(`${pembit}/calendars`);
  await maren.type('Address of the calendar', `${standins}/district/calendar.ics`);
  await maren.click('field', 'Those whose title contains …');
  await maren.type('Words of the title, separated by commas', 'early closing');
  await maren.click('button', 'Look at it');
  await maren.sees('1 day becomes a closure: Fri 27 Nov: Early closing');
  await maren.type('Name', 'District days');
  await maren.click('button', 'Add District days');
  await maren.sees('Added the calendar District days');
  await outside.open(`${standins}/district`);
  await outside.type('Days, one a line', '2026-11-26 Early closing\n2026-12-04 Snow day drill');
  await outside.click('button', 'Save');
  await maren.clickOn('section[aria-label="District days"] button:nth-of-type(2)');
  await maren.sees('Read: 4 changes');
  await maren.open(`${pembit}/term`);
  await maren.find('cell', /^week 12, Thu 26 Nov.*Early closing/);
  await maren.open(`${pembit}/day/2026-12-04`);
  await maren.sees('From outside calendars');
  await maren.sees('Snow day drill');
});

test('a new embed holds the classes of every section, unless some are unticked', async () => {
  await maren.open(`${pembit}/publish/new?kind=embed&course=HL%20210`);
  for (const section of ['HL A', 'HL B'])
    expect(await (await maren.find('field', section)).isSelected(), section).toBe(true);
});

test('a file becomes entries once, and bringing it in again changes nothing', async () => {
  const file = path.join(folder, 'club.ics');
  const lines = ['BEGIN:VCALENDAR', 'BEGIN:VEVENT', 'UID:talk@club.example', 'SUMMARY:Talk on caulking', 'DTSTART:20261119T180000', 'END:VEVENT', 'BEGIN:VEVENT', 'SUMMARY:Unreadable', 'DTSTART:soon', 'END:VEVENT', 'END:VCALENDAR']; // prettier-ignore
  writeFileSync(file, lines.join('\r\n'));
  await maren.open(`${pembit}/calendars`);
  await maren.chooseFile('Calendar file (.ics)', file);
  await maren.sees('1 new, 0 changed, 0 the same, 1 left out');
  await maren.sees('(line 9) “soon” is no date.');
  await maren.click('button', 'Bring in 1 new');
  await maren.sees('0 new, 0 changed, 1 the same, 1 left out');
  await maren.open(`${pembit}/day/2026-11-19`);
  await maren.sees('Talk on caulking');
});

test('a feed of one course, from the plan to the copied address', async () => {
  await effort.counted(maren, 'a feed of one course, from the plan to the copied address', 3, async () => {
    await maren.click('link', 'Publish');
    await maren.click('link', 'New feed');
    await maren.click('button', 'Publish to anyone with the address, and copy it');
    await maren.sees('Published Hull lofting.');
  });
});

test('the code to photograph is drawn when one asks how to subscribe, and only then', async () => {
  const drawn = () =>
    maren.driver.executeScript<number>(
      "return [...document.querySelectorAll('details img')].filter((image) => image.naturalWidth > 0).length",
    );
  expect(await drawn()).toBe(0);
  await maren.unfoldAt('section[aria-label="Feed: Hull lofting"] details');
  await expect.poll(drawn, { timeout: 20_000 }).toBe(1);
});

test('one embed of two courses and a calendar; what others see of it; its address is replaced and deleted', async () => {
  await maren.open(`${pembit}/term`);
  await effort.counted(maren, 'one embed of two courses and an outside calendar, snippet copied', 6, async () => {
    await maren.click('link', 'Publish');
    await maren.click('link', 'New embed');
    await maren.click('field', 'NV Coastal navigation');
    await maren.click('field', 'District days');
    await maren.type('Name', 'Both courses');
    await maren.click('button', 'Publish to anyone with the address, and copy the snippet');
    await maren.sees('Published Both courses.');
  }); // prettier-ignore
  const card = 'section[aria-label="Embed: Both courses"][data-new]';
  await outside.open((await linkIn(`${card} a[href*="course-site/look"]`))!);
  await toFrame(outside.driver, 'iframe');
  await outside.sees('Both courses');
  await outside.sees('Snow day drill');
  // A reader chooses without any script.
  await outside.driver.findElement(By.css('summary')).click();
  await outside.driver.findElement(By.css('input[value="due"]')).click();
  await outside.driver.findElement(By.css('form button')).click();
  await outside.sees('Half-breadth plan');
  await outside.doesNotSee('Snow day drill');
  await outside.driver.switchTo().defaultContent();
  const address = (await linkIn(`${card} a[href*="/embed/"]`))!;

  await maren.clickOn(`${card} button[type=button]:not([aria-label])`);
  await maren.find('button', 'Copied');
  await maren.click('button', 'Replace the address of Both courses');
  await maren.click('button', 'Replace it');
  await maren.sees('Replaced the address of Both courses');
  await outside.open(address);
  await outside.sees('This address was replaced');

  await maren.click('button', 'Delete Both courses');
  await maren.sees('its address leads nowhere now');
  await maren.click('button', 'Undo');
  await maren.sees('Undone.');
});

test('students are sent their own feed once', async () => {
  await maren.open(`${pembit}/publish`);
  await maren.click('button', /^Send 26 students their feeds/);
  await maren.sees('Sent 26 students their feeds');
  await maren.sees('everybody has been sent their feed');
  // Those who take both courses have theirs; the others of the first course are left.
  const left = Number(/Send (\d+) students/.exec(await maren.text())![1]);
  expect(left).toBeLessThan(38);
});
