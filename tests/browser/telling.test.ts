import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoId } from '../../src/server/demo/demoIds';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { PHONE, newPerson } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** What students learn of a plan that changes, and what they are given of their own, on a demo school of its own. */
let pembit: RunningPembit;
let maren: Person;
let ivo: Person;
beforeAll(async () => {
  pembit = await startPembit();
  [maren, ivo] = await Promise.all([newPerson(), newPerson(PHONE)]);
  for (const [person, name] of [[maren, 'Maren Toft'], [ivo, 'Ivo Saltmarsh']] as const) {
    await person.open(`${pembit.pembitUrl}/sign-in`);
    await person.click('button', `Sign in as ${name}`);
    await person.find('link', /^Your account/);
  }
}); // prettier-ignore
afterAll(async () => {
  await Promise.all([maren, ivo].map((person) => person?.quit()));
  await pembit?.stop();
});

describe('what students had seen and is changed', () => {
  test('is offered to be told in the form’s message, and at the entry until somebody waves it off', async () => {
    await ivo.open(`${pembit.pembitUrl}/next`);
    await ivo.sees('Bevel board');
    await maren.open(`${pembit.pembitUrl}/term`);
    await maren.click('button', /Due, by 17:00, Bevel board/);
    await maren.click('button', 'Edit');
    await maren.type('Due on', '2026-10-30');
    await maren.click('button', /^Save for/);
    await maren.find('button', 'Tell 1 student');
    await maren.sees('1 student has seen it as it was.');
    await maren.sees('Moved from Thu 29 Oct, 17:00 to Fri 30 Oct, 17:00');
    await maren.click('button', 'Nobody needs to be told');
    await maren.sees('It is noted that nobody needs to be told');
    await maren.doesNotSee('1 student has seen it as it was.');
  });

  test('is told to be gone at its address, when it is deleted', async () => {
    const address = `${pembit.pembitUrl}/e/${demoId(`${demoId('HL 210')} assignment Bevel board`)}`;
    await ivo.open(address);
    await ivo.sees('How this came about');
    await maren.click('button', 'Delete');
    await maren.click('button', 'Tell 1 student');
    await maren.sees('1 letter goes out in a minute');
    await ivo.open(address);
    await ivo.sees('Bevel board is no longer planned');
    await ivo.sees('Taken out of the plan, was Fri 30 Oct, 17:00');
    await ivo.open(`${pembit.pembitUrl}/next`);
    await ivo.sees(/things? changed since you looked/);
    await maren.click('button', 'Undo');
    await maren.sees('Undone.');
    await ivo.open(address);
    await ivo.find('any', 'Keep the note');
  });
});

test('more time for one student holds for all work of the course, and an archived course refuses planning', async () => {
  await maren.open(`${pembit.pembitUrl}/courses/HL%20210`);
  await maren.unfoldAt('section[aria-labelledby="more-time"]');
  await maren.choose('Student', 'Ivo Saltmarsh');
  await maren.typeInto('section[aria-labelledby="more-time"]', 'Days more', '3');
  await maren.click('button', 'Give more time');
  await maren.sees('Ivo Saltmarsh: 3 days more');
  await ivo.open(`${pembit.pembitUrl}/next`);
  await ivo.sees('extended for you');
  await maren.click('button', 'Archive the course');
  await maren.sees(/Archived HL 210/);
  const script = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const refused = await script.call('POST', '/api/entries', {
    kind: 'event',
    title: 'Late idea',
    start: '2026-10-20T10:00',
    audience: [{ course: demoId('HL 210') }],
  });
  expect([refused.status, await refused.text()].join(' ')).toMatch(/409 .*archived/);
});
