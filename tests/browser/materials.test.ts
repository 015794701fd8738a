import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { Person } from './browser';
import { DESKTOP, PHONE, newPerson } from './browser';
import { signedIn } from '../support/api';
import { demoId } from '../../src/server/demo/demoIds';
import { PDF, SAMPLE, cartridge } from '../support/cartridge';
import { silence } from '../support/wav';
import { effortTable } from './effort';
import type { RunningPembit } from './server';
import { startPembit } from './server';

let pembit: RunningPembit;
let maren: Person;
let ivo: Person;
beforeAll(async () => {
  pembit = await startPembit();
  [maren, ivo] = await Promise.all([newPerson(), newPerson(PHONE)]);
  await maren.size(DESKTOP);
  for (const [person, name] of [[maren, 'Maren Toft'], [ivo, 'Ivo Saltmarsh']] as const) {
    await person.open(`${pembit.pembitUrl}/sign-in`);
    await person.click('button', `Sign in as ${name}`);
    await person.find('link', /^Your account/);
  } // prettier-ignore
});
const { counted, print } = effortTable();
const folder = mkdtempSync(path.join(tmpdir(), 'pembit-files-'));
afterAll(async () => {
  print();
  await Promise.all([maren.quit(), ivo.quit()]);
  await pembit.stop();
});

const order = async () =>
  (await (await maren.element('main ul')).getText())
    .match(/Scribing|Lofting floor|Spline weights/g)
    ?.join(' ');

test('an instructor brings in a list after a look, orders it by keyboard, and hides a part of it', async () => {
  await maren.open(`${pembit.pembitUrl}/materials?course=HL%20210`);
  await maren.sees('Taking bevels');
  const list =
    'Scribing\nLofting floor https://library.example/floor\nSpline weights https://library.example/weights';
  await maren.type('List', list);
  await maren.click('button', 'Look at it first');
  await maren.click('button', 'Add 3 materials');
  await maren.sees('Added 3 materials');
  await maren.find('button', 'Move Spline weights up');
  expect(await order()).toBe('Scribing Lofting floor Spline weights');
  const link = await maren.find('link', 'Spline weights');
  await maren.driver.executeScript('arguments[0].focus()', link);
  await maren.chord(Key.ALT, Key.ARROW_UP);
  await maren.sees('Moved Spline weights');
  await maren.driver.wait(async () => (await order()) === 'Scribing Spline weights Lofting floor', 10_000);
  await maren.click('button', 'Change Scribing');
  await maren.typeInto('main form', 'Students see it from', '2026-11-02');
  await maren.click('button', 'Save');
  await maren.sees('students see it from Mon 2 Nov, 08:00');
});

test('a student finds what is visible by now, and nothing else, not by its address either', async () => {
  const scribing = await maren.find('link', 'Scribing');
  const hidden = new URL((await scribing.getAttribute('href'))!).pathname;
  const bevels = await maren.find('link', 'Bevels');
  const open = new URL((await bevels.getAttribute('href'))!).pathname;
  await ivo.open(`${pembit.pembitUrl}/materials?course=HL%20210`);
  await ivo.sees('Taking bevels');
  expect(await ivo.text()).not.toContain('Spline weights');
  await ivo.open(`${pembit.pembitUrl}${open}`);
  await ivo.sees('The bevel board');
  await ivo.open(`${pembit.pembitUrl}${hidden}`);
  await ivo.doesNotSee('Scribing');
  await ivo.sees('nothing at this address');
});

test('a class links to a material by search; the student opens it from the day sheet in one click', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.click('button', /Class, 10:00, Stations 2 to 6/);
  await maren.type('From the materials', 'taking bev');
  await maren.click('button', /^Taking bevels/);
  await maren.sees('Material: Taking bevels');
  await maren.click('button', /^Save for/);
  await maren.sees('Planned Stations 2 to 6');
  await ivo.open(`${pembit.pembitUrl}/day/2026-10-27?course=HL%20210`);
  const link = await ivo.find('link', 'Taking bevels');
  expect(await link.getAttribute('href')).toMatch(/\/library\/recordings\/bevels$/);
});

test('a package is brought in after a look, and once more adds nothing', async () => {
  const file = path.join(folder, 'hull.imscc');
  writeFileSync(file, cartridge(SAMPLE));
  await maren.open(`${pembit.pembitUrl}/materials?course=HL%20210`);
  await maren.chooseFile('Package', file);
  await maren.sees('An outside tool: of a kind that is not brought in');
  await maren.click('button', 'Add 8 materials');
  await maren.sees('Brought in a package: added 8 materials');
  await maren.find('link', 'Bevels & boards');
  await maren.chooseFile('Package', file);
  await maren.sees('Everything in this package is there already.');
});

test('an address alone gets the title of its page', async () => {
  await maren.open(`${pembit.pembitUrl}/materials?course=HL%20210`);
  await maren.type('List', `${pembit.standinsUrl}/library/handouts/scarf-joints`);
  await maren.click('button', 'Look at it first');
  await maren.sees('scarf joints');
  expect(await (await maren.find('field', 'List')).getAttribute('value')).toMatch(
    /^Handout: scarf joints.* http/,
  );
});

test('its unit is dragged onto the coming classes; a student finds it on the day sheet and opens an item', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.click('button', 'Materials');
  await maren.type('Find', 'boards');
  const unit = await maren.find('button', 'Plan Bevels & boards');
  await counted(maren, 'a unit on the coming classes, one each', 2, async () => {
    await maren.drag(unit, await maren.element('[data-date="2026-11-17"]'), { x: 40, y: 20 });
    await maren.find('button', 'Plan 4 classes');
    await maren.press(Key.ENTER);
    await maren.sees('Planned 4 classes from Bevels & boards');
  });
  // On the first free classes from that Tuesday on, once the plan is drawn anew.
  const planned = await maren.driver.wait(
    () =>
      maren.driver.executeScript<string>(
        `return [...document.querySelectorAll('[data-meeting]')].find((e) => e.innerText.includes('The bevel board') &&
           !e.closest('[data-date="2026-10-13"]'))?.closest('[data-date]').dataset.date ?? ''`,
      ),
    20_000,
  );
  await ivo.open(`${pembit.pembitUrl}/day/${planned}?course=HL%20210`);
  await ivo.sees('In class');
  await counted(ivo, 'student: from the day sheet to the handout', 1, () =>
    ivo.click('link', 'The bevel board'),
  );
  await ivo.driver.wait(async () => (await ivo.driver.getAllWindowHandles()).length === 2, 10_000);
  const [first, second] = await ivo.driver.getAllWindowHandles();
  await ivo.driver.switchTo().window(second!);
  expect(await ivo.driver.getCurrentUrl()).toMatch(/\/f\/[0-9a-f-]{36}$/);
  await ivo.driver.close();
  await ivo.driver.switchTo().window(first!);
});

test('a material dragged onto a day is an event that leads to it; onto a class it is linked there', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await counted(maren, 'an event on a day, linked to a material already in the course', 2, async () => {
    const material = await maren.find('button', 'Plan Taking bevels');
    await maren.drag(material, await maren.element('[data-date="2026-12-02"]'), { x: 40, y: 20 });
    await maren.find('button', /^Save for/);
    await maren.press(Key.ENTER);
    await maren.sees('Added Taking bevels');
  });
  await maren.click('button', 'Close the panel');
  const again = await maren.find('button', 'Plan Making a mould');
  await maren.drag(again, await maren.find('button', /Class, 10:00, Stem and apron/));
  await maren.sees('Linked Making a mould to Stem and apron');
  await ivo.open(`${pembit.pembitUrl}/day/2026-12-02`);
  await ivo.find('link', 'Taking bevels');
});

test('files are uploaded with their type checked by content, served in parts, and to nobody before their time', async () => {
  const good = path.join(folder, 'offsets.pdf');
  const bad = path.join(folder, 'program.pdf');
  writeFileSync(good, PDF);
  writeFileSync(bad, 'MZ\u0090\u0000\u0003');
  await maren.open(`${pembit.pembitUrl}/materials?course=HL%20210`);
  await maren.chooseFile(/^Upload files/, `${good}\n${bad}`);
  await maren.sees('Uploaded 1 file');
  await maren.sees('“program.pdf” is of a type that is not kept here');
  const link = await (await maren.find('link', 'offsets')).getAttribute('href');
  const asked = (person: Person, headers: Record<string, string> = {}) =>
    person.driver.executeAsyncScript<{ status: number; type: string; text: string; policy: string }>(
      `const [url, headers, done] = arguments; fetch(url, { headers }).then(async (r) => done({ status: r.status, type: r.headers.get('content-type'),
        text: await r.text(), policy: r.headers.get('content-security-policy') + r.headers.get('x-content-type-options') }))`,
      link,
      headers,
    );
  expect(await asked(ivo, { range: 'bytes=0-3' })).toMatchObject({
    status: 206,
    text: '%PDF',
    type: 'application/pdf',
  });
  expect(await asked(ivo, { range: 'bytes=9000-' })).toMatchObject({ status: 416 });
  expect((await asked(ivo)).policy).toMatch(/default-src 'none'.*nosniff/);
  await maren.click('button', 'Change offsets');
  await maren.typeInto('main form', 'Students see it from', '2026-11-02');
  await maren.click('button', 'Save');
  await maren.sees('Changed offsets');
  expect((await asked(ivo)).status).toBe(404);
  expect((await asked(maren)).status).toBe(200);
});

test('a recording plays where it stands, on a phone, with its captions, from any second on; and by its own address', async () => {
  const sound = path.join(folder, 'Loft talk.wav');
  const captions = path.join(folder, 'loft talk.vtt');
  writeFileSync(sound, silence(30));
  writeFileSync(captions, 'WEBVTT\n\n00:00.000 --> 00:20.000\nThe batten does not lie.\n');
  await maren.open(`${pembit.pembitUrl}/materials?course=HL%20210`);
  await maren.chooseFile(/^Upload files/, `${sound}\n${captions}`);
  await maren.sees('Uploaded 2 files');
  await ivo.open(`${pembit.pembitUrl}/materials?course=HL%20210`);
  await ivo.click('button', 'Play here: Loft talk');
  const player = <T>(script: string) =>
    ivo.driver.executeAsyncScript<T>(
      `const done = arguments[0]; const player = document.querySelector('main video, main audio, video'); ${script}`,
    );
  const loaded = 'const when = () => player.readyState > 0 ? done(player.duration) : setTimeout(when, 100); when();'; // prettier-ignore
  expect(await player<number>(loaded)).toBe(30);
  expect(
    await player<number>('player.onseeked = () => done(player.currentTime); player.currentTime = 12;'),
  ).toBeCloseTo(12, 0);
  await ivo.sees('The batten does not lie.');
  await ivo.click('button', 'Hide again: Loft talk');
  await ivo.open((await (await ivo.find('link', 'Loft talk')).getAttribute('href'))!);
  expect(await player<number>(loaded)).toBe(30);

  const staff = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const kept = await staff.send(
    '/api/files?name=Loft%20talk.wav',
    new Blob([new Uint8Array(silence(30))], { type: 'audio/wav' }),
  );
  const added = await staff.call('POST', '/api/entries', {
    kind: 'event',
    title: 'Loft evening',
    start: '2026-10-15T18:00',
    audience: [{ course: demoId('HL 210') }],
    links: [{ file: ((await kept.json()) as { id: string }).id }],
  });
  const { id } = (await added.json()) as { id: string };
  for (const page of [`/e/${id}`, '/day/2026-10-15?course=HL%20210']) {
    await ivo.open(pembit.pembitUrl + page);
    await ivo.click('button', 'Play here: Loft talk.wav');
    expect(await player<number>(loaded)).toBe(30);
  }
});

test('a message is spoken into the entry’s page, heard, and played where students read it', async () => {
  // The browser’s own stand-in for a microphone: a tone, and no question to a person.
  const speaker = await newPerson(DESKTOP, (options) =>
    options.addArguments('--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'),
  );
  let address = '';
  try {
    await speaker.open(`${pembit.pembitUrl}/sign-in`);
    await speaker.click('button', 'Sign in as Maren Toft');
    await speaker.find('link', /^Your account/);
    await speaker.open(`${pembit.pembitUrl}/term`);
    await speaker.click('button', /Due, by 17:00, Half-breadth plan/);
    await speaker.click('link', 'Record a spoken message');
    await speaker.sees('At most 5 minutes.');
    await speaker.sees('Who will hear it: 38 students in HL');
    await speaker.click('button', 'Record');
    await speaker.sees(/Recording: 0:0[1-9] of 5:00/);
    await speaker.click('button', 'Stop');
    await speaker.type('What it is called', 'What to look for');
    await speaker.click('button', 'Add it to the entry');
    await speaker.find('button', 'Play here: What to look for');
    address = await speaker.driver.getCurrentUrl();
  } finally {
    await speaker.quit();
  }
  await ivo.open(address);
  await ivo.click('button', 'Play here: What to look for');
  await ivo.driver.wait(
    () =>
      ivo.driver.executeScript<boolean>(
        'const a = document.querySelector("audio"); return !!a && a.readyState >= 1',
      ),
    15_000,
  );
});

test('links are tested on demand with progress; staff alone learn how they answered', async () => {
  await maren.open(`${pembit.pembitUrl}/materials?course=HL%20210`);
  await maren.click('button', 'Test the links');
  await maren.sees(/Tested \d+ links: [1-9] do not open/);
  const one = await (
    await signedIn(pembit.pembitUrl, 'maren@kittiwake.example')
  ).call('POST', '/api/links/test', {
    url: 'https://nowhere.example/',
  });
  expect(await one.json()).toMatchObject({
    state: 'fails',
    words: expect.stringMatching(/^It does not open/) as string,
  });
  await maren.sees('does not open');
  await maren.sees('has moved');
  await maren.sees('opens slowly');
  await maren.open(`${pembit.pembitUrl}/checks`);
  await maren.sees('A link does not open');
  await ivo.open(`${pembit.pembitUrl}/materials?course=HL%20210`);
  await ivo.sees('Taking bevels');
  expect(await ivo.text()).not.toMatch(/does not open|has moved|not planned/);
});

test('somebody who was away sees several days on one page', async () => {
  await ivo.open(`${pembit.pembitUrl}/day/2026-10-13?course=HL%20210`);
  await ivo.unfoldAt('main details');
  await ivo.typeInto('main form', 'From', '2026-10-06');
  await ivo.click('button', 'Show these days');
  await ivo.sees('Tuesday 6 October to Tuesday 13 October');
  await ivo.sees('Thursday, 8 October 2026');
  await ivo.find('link', 'The bevel board');
});

test('staff write on the day sheet: what was done is on the student’s page at once', async () => {
  await maren.open(`${pembit.pembitUrl}/day/2026-10-13?course=HL%20210`);
  await maren.click('button', 'Bevels');
  await maren.type('What is taught', 'Bevels and the board');
  await maren.click('button', /^Save for/);
  await maren.sees('Planned Bevels and the board');
  await ivo.open(`${pembit.pembitUrl}/day/2026-10-13?course=HL%20210`);
  await ivo.sees('Bevels and the board');
});
