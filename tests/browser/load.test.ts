import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { newPerson } from './browser';
import { startPembit } from './server';

let pembit: Awaited<ReturnType<typeof startPembit>>;
let maren: Person;
beforeAll(async () => {
  pembit = await startPembit();
  maren = await newPerson();
  await maren.open(pembit.pembitUrl);
  await maren.click('button', 'Sign in as Maren Toft');
  await maren.sees('What waits for you');
  await maren.open(`${pembit.pembitUrl}/term`);
});
afterAll(async () => {
  await maren?.quit();
  await pembit?.stop();
});

test('choosing a due date shows what else these students have due, and a better day is one click away', async () => {
  await maren.click('button', /Due, by 17:00, Half-breadth plan/);
  await maren.click('button', 'Edit');
  await maren.sees(/\d+ of 38 students have something else due that day; \d+ would have too much/);
  await maren.click('button', 'Wed 14 Oct (nobody)');
  await maren.sees('Nobody of the 38 has anything else due that day.');
  await maren.click('button', /^Save for/);
  await maren.sees('Changed Half-breadth plan');
  await maren.click('button', 'Undo');
  await maren.sees('Undone.');
  await maren.type('Quick line', 'Fairing quiz, due week 6 Thursday 5 pm, HL');
  await maren.sees(/\d+ of 38 students have something else due that day/);
  await maren.press(Key.ESCAPE);
  await maren.type('Quick line', '');
});

test('while a due date is dragged each day says how many of its students have work due already', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  const mark = await maren.element('[data-kind="due"][data-movable="true"][aria-label*="Half-breadth plan"]');
  const cell = await maren.element('[data-date="2026-10-22"]');
  const hand = maren.driver.actions({ async: true });
  await hand.move({ origin: mark }).press().move({ origin: cell, x: 4, duration: 200 }).perform();
  await maren.driver.wait(
    () => maren.driver.executeScript('return document.querySelectorAll("[data-load]").length > 3'),
    10_000,
  );
  const said = await maren.driver.executeScript<string>(
    'return getComputedStyle(document.querySelector("[data-load]"), "::before").content',
  );
  expect(said).toMatch(/^"\d+ have work due"$/);
  await maren.press(Key.ESCAPE);
  await hand.move({ origin: mark }).release().perform();
  await maren.driver.wait(
    () => maren.driver.executeScript('return document.querySelector("[data-load]") === null'),
    10_000,
  );
});

test('the load of a course: the day that is too full, hours as a chart and a table, and work spread over the term', async () => {
  await maren.open(`${pembit.pembitUrl}/load`);
  await maren.sees(/Thu 15 Oct: 2 things due; .*; 38 of 38 students have something; \d+ have too much/);
  await maren.sees('Expected: 12.0 h a week, from 4 credits');
  await maren.driver.wait(
    () => maren.driver.executeScript('return document.querySelector("canvas").width > 300'),
    10_000,
  );
  await maren.type('Days from one to the next, at least', '60');
  await maren.click('button', 'Propose days');
  await maren.sees(/There is no room for \d in this time/);
  await maren.type('Days from one to the next, at least', '7');
  await maren.choose('Weekday', 'Tue');
  await maren.click('button', 'Propose days');
  await maren.sees(/On these days \d+ students? would have too much/);
  await maren.click('button', /^Move \d$/);
  await maren.sees(/Moved \d due dates?/);
  const api = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const records = (await (await api.call('GET', '/api/occurrences?from=2026-10-14&to=2026-12-18')).json()) as { kind: string; start: string; title: string; courses: string[] }[]; // prettier-ignore
  const bevel = records.find((o) => o.kind === 'due' && o.title === 'Bevel board')!;
  expect(new Date(bevel.start).getUTCDay()).toBe(2);
});
