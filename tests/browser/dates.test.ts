import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { Person } from './browser';
import { DESKTOP, newPerson } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';

let pembit: RunningPembit;
let maren: Person;
let ivo: Person;
beforeAll(async () => {
  pembit = await startPembit();
  [maren, ivo] = await Promise.all([newPerson(), newPerson()]);
  for (const [person, name] of [[maren, 'Maren Toft'], [ivo, 'Ivo Saltmarsh']] as const) {
    await person.size(DESKTOP);
    await person.open(`${pembit.pembitUrl}/sign-in`);
    await person.click('button', `Sign in as ${name}`);
    await person.find('link', /^Your account/);
  } // prettier-ignore
});
afterAll(async () => {
  await Promise.all([maren.quit(), ivo.quit()]);
  await pembit.stop();
});

test('work is due at the start of a class: staff see each section’s time, a student their own', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.click('button', 'Add');
  await maren.click('field', 'Assignment');
  await maren.type('Title', 'Fair the sheer');
  await maren.click('field', 'HL Hull lofting');
  await maren.unfold('Dates that follow a class');
  await maren.type('Due in class', '14');
  await maren.sees('A: week 7, Thu 22 Oct, 10:00 · B: week 7, Thu 22 Oct, 14:00');
  await maren.click('button', /^Save for/);
  await maren.sees('(start of class 14)');
  await maren.sees('Due in section B');
  await maren.open(`${pembit.pembitUrl}/everything`);
  await maren.type('Search', 'fair the sheer');
  await maren.sees('Fair the sheer (A)');
  await maren.sees('Fair the sheer (B)');
  await ivo.open(`${pembit.pembitUrl}/next`);
  await ivo.sees(/Thursday 22 October.*Fair the sheer/);
  expect(await ivo.text()).not.toContain('Fair the sheer (');
});

test('a date is moved on the line of dates by keyboard and by hand, and comes back', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.click('button', /set: Half-breadth plan/);
  const slider = await maren.element('[role=slider][aria-label="Set"]');
  await maren.driver.executeScript('arguments[0].focus()', slider);
  await maren.press(Key.ARROW_RIGHT, Key.ENTER);
  await maren.sees('Moved “Set” of Half-breadth plan to week 5, Tue 6 Oct');
  await maren.click('button', 'Undo');
  await maren.sees('Undone.');
  await maren.sees(/set Mon 5 Oct/i);
  const due = await maren.element('[role=slider][aria-label="Due"]');
  const line = await maren.element('[role=group][aria-label="Line of dates"]');
  const { width } = await line.getRect();
  await maren.drag(due, line, { x: Math.floor(width / 2) - 8, y: 6 });
  await maren.sees(/Moved Half-breadth plan to/);
  await maren.click('button', 'Undo');
  await maren.sees(/due Thu 15 Oct, 17:00/i);
});

test('a line of everything is changed where it stands; chosen ones move by classes and are shown from a day', async () => {
  await maren.open(`${pembit.pembitUrl}/everything`);
  await maren.type('Search', 'half model due');
  await maren.click('button', /^Change the line of Half model/);
  await maren.typeInto('main form', 'Title', 'Half model, finished');
  await maren.typeInto('main form', 'Time, or none', '2');
  await maren.click('button', '14:00');
  await maren.click('button', 'Save');
  await maren.sees('Changed Half model, finished');
  await maren.sees('14:00');
  await maren.click('field', 'Choose all in this list');
  await maren.type('Move by', '-1');
  await maren.choose('Unit', 'classes');
  await maren.click('button', 'Move');
  await maren.sees('Moved 1 entry by classes');
  await maren.click('field', 'Choose all in this list');
  await maren.choose('Students see them', 'some days before each');
  await maren.type('Days before', '3');
  await maren.click('button', 'Apply');
  await maren.sees('Students will see 1 entry some days before');
  await maren.click('button', 'Undo');
  await maren.sees('Undone.');
});

test('what was typed on a tab is gone for whoever signs in there next, and stays for the same person', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.type('Quick line', 'half a thought');
  const field = async () => (await maren.find('field', 'Quick line')).getAttribute('value');
  const again = async (name: string) => {
    await maren.driver.manage().deleteAllCookies();
    await maren.open(`${pembit.pembitUrl}/sign-in`);
    await maren.click('button', `Sign in as ${name}`);
    await maren.find('link', /^Your account/);
  };
  await again('Maren Toft');
  expect(await field()).toBe('half a thought');
  await again('Ivo Saltmarsh');
  expect(await field()).toBe('');
});
