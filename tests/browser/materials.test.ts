import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { Person } from './browser';
import { DESKTOP, PHONE, newPerson } from './browser';
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
afterAll(async () => {
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
