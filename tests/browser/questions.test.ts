import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoId } from '@/server/demo/demoIds';
import type { SectionId } from '@/core/ids';
import { meetingIdOf } from '@/server/frame/meetingId';
import type { Person } from './browser';
import { newPerson, PHONE } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** Questions under work and under a class: on a phone by who asks, at the desk by who answers. */
let pembit: RunningPembit;
let ivo: Person, tove: Person, maren: Person;
const WORK = `/e/${demoId(`${demoId('HL 210')} assignment Half-breadth plan`)}`;
const CLASS = `/class/${meetingIdOf(demoId<SectionId>('HL 210 A'), '2026-10-15')}`;
beforeAll(async () => {
  pembit = await startPembit();
  [ivo, tove, maren] = await Promise.all([newPerson(), newPerson(), newPerson()]);
  for (const [person, name] of [[ivo, 'Ivo Saltmarsh'], [maren, 'Maren Toft']] as const) {
    await person.open(pembit.pembitUrl);
    await person.click('button', `Sign in as ${name}`);
    await person.find('link', /^Your account/);
  }
  await tove.open(`${pembit.pembitUrl}/sign-in`);
  await tove.click('button', /^Sign in as (?!Ivo|Maren|School|Tobias)/);
  await tove.find('link', /^Your account/);
  await ivo.size(PHONE);
  await tove.size(PHONE);
}, 120_000); // prettier-ignore
afterAll(async () => {
  await Promise.all([ivo, tove, maren].map((person) => person?.quit()));
  await pembit?.stop();
});

test('for the staff alone: kept on a refresh, answered from Today, found again from what is new', async () => {
  await ivo.open(pembit.pembitUrl + WORK);
  await ivo.sees('a student, ');
  await ivo.sees('Yes. Mark them, so that you get them back.');
  await ivo.click('button', 'Ask a question');
  await ivo.type('Your question', 'Is a scale of 1 to 8 enough?');
  await ivo.driver.navigate().refresh();
  await ivo.sees('Is a scale of 1 to 8 enough?');
  await ivo.sees('The staff always read your name.');
  await ivo.click('button', 'Ask');
  await ivo.sees(/you, .* · for the staff alone · waits for an answer/);
  await maren.open(`${pembit.pembitUrl}/today`);
  await maren.click('link', '1 question: Half-breadth plan');
  await maren.sees(/Ivo Saltmarsh, .* · for the staff alone/);
  await maren.clickOn('#questions li:last-child button');
  await maren.type('Answer', 'It is, if your pencil is sharp.');
  await maren.clickOn('#questions li:last-child form button[type=submit]');
  await maren.sees('Answered');
  await ivo.open(`${pembit.pembitUrl}/next`);
  await ivo.click('link', 'Half-breadth plan');
  await ivo.sees('It is, if your pencil is sharp.');
  await tove.open(pembit.pembitUrl + WORK);
  await tove.sees('Yes. Mark them');
  expect(await tove.text()).not.toContain('1 to 8');
});

test('under a class, for everybody there: “a student”; reported, taken away and put back', async () => {
  await ivo.open(pembit.pembitUrl + CLASS);
  await ivo.click('button', 'Ask a question');
  await ivo.type('Your question', 'Do we cut today?');
  await ivo.click('field', 'everybody here');
  await ivo.sees('classmates read “a student”');
  await ivo.click('button', 'Ask');
  await ivo.sees(/you, .* · waits for an answer/);
  await maren.open(pembit.pembitUrl + CLASS);
  await maren.sees(/Ivo Saltmarsh, .* · waits for an answer/);
  await maren.click('button', 'Take away');
  await maren.sees('A question was taken away.');
  await ivo.driver.navigate().refresh();
  await ivo.sees('Your question was taken away.');
  await maren.click('button', 'Put back');
  await maren.sees('Do we cut today?');
  await maren.choose('Questions here', 'nobody asks');
  await maren.sees('Noted whether students may ask here');
  await ivo.driver.navigate().refresh();
  await ivo.sees('Do we cut today?');
  expect(await ivo.text()).not.toContain('Ask a question');
});
