import { Temporal } from 'temporal-polyfill';
import { By } from 'selenium-webdriver';
import { expect } from 'vitest';
import { complaintsAbout } from '../support/strictIcs';
import type { Person } from './browser';
import { PHONE, newPerson, toFrame } from './browser';

const addressIn = async (person: Person, label: string) =>
  (await person.find('field', label)).getAttribute('value');

/** The whole job in the demo's school: planned, offered, clicked, taken, published, changed, undone; by three people at once. */
export async function tellStory({
  pembit,
  standins,
}: Readonly<{ pembit: string; standins: string }>): Promise<void> {
  const people = await Promise.all([newPerson(), newPerson(PHONE), newPerson()]);
  try {
    await between(people as [Person, Person, Person], { pembit, standins });
  } finally {
    await Promise.all(people.map((person) => person.quit()));
  }
}

async function between(
  [maren, ivo, outside]: readonly [Person, Person, Person],
  { pembit, standins }: Readonly<{ pembit: string; standins: string }>,
): Promise<void> {
  // The instructor signs in and adds an event after the change to winter time.
  await maren.open(pembit);
  await maren.click('button', 'Sign in as Maren Toft');
  await maren.sees('What waits for you');
  await maren.open(`${pembit}/term`);
  await maren.click('cell', /^week 10, Tue 10 Nov/);
  await maren.type('Title', 'Visit to the rope walk');
  await maren.click('field', 'HL Hull lofting');
  await maren.type('Starts', '10');
  await maren.type('Ends', '11:30');
  await maren.type('Place', 'Rope walk');
  await maren.click('button', 'Add a link');
  await maren.type('Address', `${standins}/library/handouts/rope-walk`);
  await maren.type('What students read', 'Handout: rope walk');
  await maren.sees('Who will see it: 38 students in HL, as soon as you save.');
  await maren.click('button', 'Save for 38 students in HL');
  await maren.sees('Added Visit to the rope walk');

  // An assignment with the day it is set and the time it is due; a bare 5 is asked.
  await maren.click('cell', /^week 7, Fri 23 Oct/);
  await maren.click('field', 'Assignment');
  await maren.type('Title', 'Stem profile');
  await maren.click('field', 'HL Hull lofting');
  await maren.type('Set on', '2026-10-14');
  await maren.type('Due at', '5');
  await maren.click('button', '17:00');
  await maren.click('button', 'Add a link');
  await maren.type('Address', `${standins}/library/handouts/stem-profile`);
  await maren.click('button', /^Save for 38 students/);
  await maren.sees('Added Stem profile');
  await maren.find('button', /Due, by 17:00, Stem profile/);
  await maren.find('button', /Set, set: Stem profile/);

  // Times of 25 minutes with 5 to breathe, previewed while typing.
  await maren.click('link', 'Office hours');
  await maren.click('link', 'Offer times');
  await maren.type('What it is called', 'Stem clinic');
  await maren.type('Days and hours', '21 Nov 12-2');
  await maren.sees('4 times on 1 day');
  await maren.type('Minutes of a time', '50');
  await maren.sees('2 times on 1 day');
  await maren.type('Minutes of a time', '25');
  await maren.type('Minutes between times', '5');
  await maren.sees('100 min, 15 between, 5 left over');
  await maren.type('Place', 'Loft office');
  await maren.click('button', 'Offer 4 times to 38 students');
  await maren.sees('Stem clinic');

  // The student, on a phone: today and the coming days, and the link in one click.
  await ivo.open(pembit);
  await ivo.click('button', 'Sign in as Ivo Saltmarsh');
  await ivo.sees('Today and next');
  await ivo.sees('set: Stem profile');
  await ivo.sees('Stem profile');
  await ivo.click('link', 'Open Handout: bevel board');
  const tabs = await ivo.driver.getAllWindowHandles();
  await ivo.driver.switchTo().window(tabs[1]!);
  await ivo.sees('Handout: bevel board');
  await ivo.driver.close();
  await ivo.driver.switchTo().window(tabs[0]!);

  // Takes a time with a note, gives it back, takes another.
  await ivo.click('link', 'Office hours');
  await ivo.clickOn('section[aria-label*="Stem clinic"] button[aria-label^="12:30"]');
  await ivo.type(/What would you like to talk about/, 'My stem will not fair.');
  await ivo.click('button', 'Take this time');
  // The list itself, not the message that reports the act.
  await ivo.element('section[aria-labelledby=yours] li');
  await ivo.sees('Your times HL Sat 21 Nov, 12:30–12:55');
  await ivo.click('button', 'Give back');
  await ivo.doesNotSee('Your times');
  await ivo.clickOn('section[aria-label*="Stem clinic"] button[aria-label^="13:00"]');
  await ivo.type(/What would you like to talk about/, 'My stem will not fair.');
  await ivo.click('button', 'Take this time');
  // In the list of one's own: the form names the time before it is taken.
  await ivo.sees('Your times HL Sat 21 Nov, 13:00–13:25');

  // The instructor sees who comes and why.
  await maren.open(`${pembit}/office-hours`);
  await maren.sees(/week 11, Sat 21 Nov 13:00–13:25 HL Ivo Saltmarsh My stem will not fair\./);

  // The course's feed, in a calendar application on another site.
  await maren.click('link', 'Publish');
  const feedField = await maren.element('section[aria-label="Feed: HL 210 Hull lofting"] input');
  const feed = (await feedField.getAttribute('value'))!;
  await outside.open(`${standins}/calendar`);
  await outside.type('Address of a feed', feed);
  await outside.click('button', 'Subscribe');
  // Winter time from 1 November on: the wall time is the term view's.
  await outside.sees(/Tue, 10 Nov 2026 10:00–11:30 HL: Visit to the rope walk/);
  await outside.sees(/Fri, 23 Oct 2026 17:00 HL: Stem profile \(due\)/);
  await outside.sees(/Wed, 14 Oct 2026 all day HL: Stem profile \(set, due Fri 23 Oct, 17:00\)/);
  await outside.click('button', 'Poll now');
  await outside.sees('304, nothing new');

  // A change reaches it at the next poll, under a higher sequence.
  await maren.click('link', 'Term');
  await maren.click('button', /Event, 10:00, Visit to the rope walk/);
  await maren.click('button', 'Edit');
  await maren.type('Starts', '10:30');
  await maren.click('button', /^Save for 38 students/);
  await maren.sees('Changed Visit to the rope walk');
  await outside.click('button', 'Poll now');
  await outside.sees('HL: Visit to the rope walk (sequence 0 to 1)');
  await outside.sees(/Tue, 10 Nov 2026 10:30–11:30/);

  // The student's own feed holds the time taken; the course's does not.
  await ivo.click('link', 'Subscribe');
  const personal = (await addressIn(ivo, 'Your own address'))!;
  await outside.open(`${standins}/calendar`);
  await outside.type('Address of a feed', personal);
  await outside.click('button', 'Subscribe');
  await outside.sees(/Sat, 21 Nov 2026 13:00–13:25 HL: Stem clinic with Maren Toft/);
  const [courseFile, personalFile] = await Promise.all(
    [feed, personal].map(async (url) => Buffer.from(await (await fetch(url)).arrayBuffer())),
  );
  expect(complaintsAbout(courseFile!)).toEqual([]);
  expect(complaintsAbout(personalFile!)).toEqual([]);
  expect(courseFile!.toString()).not.toContain('Ivo');
  expect(courseFile!.toString()).not.toContain('will not fair');

  // The same times in the API as in the files.
  const records = await ivo.driver.executeAsyncScript<{ uid: string; kind: string; start: string }[]>(
    `const done = arguments[0]; fetch('/api/occurrences?from=2026-11-01&to=2026-11-30').then((r) => r.json()).then(done);`,
  );
  const booking = records.find((record) => record.kind === 'booking')!;
  expect(booking.start).toBe('2026-11-21T13:00:00-04:00');
  expect(Temporal.Instant.from(booking.start).toString()).toBe('2026-11-21T17:00:00Z');
  expect(personalFile!.toString()).toContain(`UID:${booking.uid}`);

  // An embed, pasted into a course site on another origin.
  await maren.click('link', 'Publish');
  await maren.click('link', 'New embed');
  await maren.click('button', 'Publish to anyone with the address, and copy the snippet');
  await maren.sees('Published Hull lofting');
  const embed = await maren.element('section[aria-label="Embed: Hull lofting"] input');
  await outside.open(`${standins}/course-site/edit`);
  await outside.type(/HTML of the page/, (await embed.getAttribute('value'))!);
  await outside.click('button', 'Save the page');
  await toFrame(outside.driver, 'iframe[title="Hull lofting"]');
  await outside.sees('Visit to the rope walk');
  await outside.sees('3 of 4 times free');
  await outside.doesNotSee('Ivo');
  await outside.driver.findElement(By.linkText('Visit to the rope walk')).click();
  await outside.sees('The whole calendar');
  await outside.driver.switchTo().defaultContent();

  // Undo, from the message that reports the act.
  await maren.click('link', 'Term');
  await maren.click('button', /Due, by 17:00, Stem profile/);
  await maren.click('button', 'Delete');
  await maren.sees('Deleted Stem profile');
  await maren.click('button', 'Undo');
  await maren.sees('Undone.');
  await maren.find('button', /Due, by 17:00, Stem profile/);
}
