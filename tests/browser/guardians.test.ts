import { source as AXE } from 'axe-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { newPerson, PHONE } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';
import { routesOfBuild } from '../support/routesOfBuild';

/** A student lets a guardian read; the guardian reads on a phone, and gets the week by letter. */
let pembit: RunningPembit;
let ivo: Person, gran: Person;
/** The guardian's address. */
let page = '';
beforeAll(async () => {
  pembit = await startPembit();
  [ivo, gran] = await Promise.all([newPerson(), newPerson()]);
  await ivo.open(pembit.pembitUrl);
  await ivo.click('button', 'Sign in as Ivo Saltmarsh');
  await ivo.find('link', /^Your account/);
  await Promise.all([ivo.size(PHONE), gran.size(PHONE)]);
}, 120_000);
afterAll(async () => {
  await Promise.all([ivo, gran].map((person) => person?.quit()));
  await pembit?.stop();
});

const axe = async ({ driver }: Person) => {
  await driver.executeScript(`if (!window.axe) { ${AXE} }`);
  return driver.executeAsyncScript<string[]>(
    `const done = arguments[arguments.length - 1]; axe.run({ resultTypes: ['violations'] }).then((r) => done(r.violations.map((v) => v.id + ' ' + v.nodes[0].target)));`,
  );
};
const statusOf = async (path: string) =>
  (await fetch(pembit.pembitUrl + path, { redirect: 'manual' })).status;

test('an address for a guardian, in three inputs', async () => {
  await ivo.open(`${pembit.pembitUrl}/subscribe`);
  ivo.inputs();
  await ivo.click('button', 'Let somebody read');
  await ivo.type('Whom it is for', 'Gran');
  await ivo.click('button', 'Make an address');
  await ivo.sees('Made an address for Gran');
  expect(ivo.inputs()).toBeLessThanOrEqual(3);
  page = (await (await ivo.find('field', 'Address for Gran')).getAttribute('value'))!;
});

test('the guardian reads the courses on a phone, day by day, and nothing that is not for them', async () => {
  await gran.open(page);
  await gran.sees('Ivo Saltmarsh');
  await gran.sees('Half-breadth plan');
  const text = await gran.text();
  for (const own of ['The loft', 'spline weights', 'Take a time']) expect(text).not.toContain(own);
  expect(await axe(gran)).toEqual([]);
  await gran.click('link', 'Half-breadth plan');
  await gran.click('link', 'The whole calendar');
  await ivo.driver.navigate().refresh();
  await ivo.sees(/Read \w+ \d+ Oct/);
});

test('its token opens nothing else', async () => {
  const token = page.split('/').pop()!;
  // Every route of the build, with the token as a credential and as whatever its address names: it is as if it were not there.
  const routes = routesOfBuild()
    .map((route) => route.replace(/\[(\.\.\.)?\w+\]/g, token))
    .filter((route) => !route.startsWith('/guardian/'));
  const headers = { authorization: `Bearer ${token}`, cookie: `pembit_session=${token}` };
  const answers = async (route: string) => {
    const [without, given] = await Promise.all(
      [{}, headers].map((sent: Record<string, string>) =>
        fetch(pembit.pembitUrl + route, { redirect: 'manual', headers: sent }),
      ),
    );
    // A route that asks nobody's name refuses a bearer token that is none (RFC 6750, 3.1).
    expect([without!.status, 401], route).toContain(given!.status);
    expect([route, (await given!.text()).includes('Ivo Saltmarsh')]).toEqual([route, route === '/sign-in']);
  };
  expect(routes.length).toBeGreaterThan(100);
  for (let i = 0; i < routes.length; i += 8) await Promise.all(routes.slice(i, i + 8).map(answers));
  for (const path of [
    `/embed/${token}`,
    `/embed/${token}/day/2026-10-15`,
    `/feeds/${token}/work.ics`,
    `/feeds/${token}.ifb`,
    `/feeds/${token}.atom`,

    `/g/${token}/day/2026-02-30`,
  ])
    // prettier-ignore
    expect([path, await statusOf(path)]).toEqual([path, 404]);
  expect(await statusOf(`/feeds/${token}.ics`)).toBe(200);
});

test('the week by letter, once the mailbox has said yes; ended by the student, the address is gone at once', async () => {
  await gran.open(page);
  await gran.click('link', 'Calendar, letters, another child');
  expect(await axe(gran)).toEqual([]);
  await gran.type('Your e-mail address', 'gran@home.example');
  await gran.click('button', 'Send me the week');
  await gran.sees('Look into your mail');
  await gran.open(`${pembit.standinsUrl}/mailbox?to=gran%40home.example`);
  const link = await gran.driver.wait(async () => {
    await gran.driver.navigate().refresh();
    const [found] = await gran.driver.findElements({ css: 'a[href*="/guardian/confirm/"]' });
    return found && (await found.getAttribute('href'));
  }, 30_000);
  await gran.open(link!);
  await gran.click('button', 'It is me');
  await gran.sees('The next week comes by letter.');
  await gran.open(page.replace('/g/', '/guardian/'));
  await gran.sees('The week goes to gran@home.example.');
  await ivo.click('button', 'End the address for Gran');
  await ivo.sees('Ended the address for Gran');
  for (const path of [page, page.replace('/g/', '/feeds/') + '.ics'])
    expect((await fetch(path)).status).toBe(410);
  await gran.open(page);
  await gran.sees('This address has ended');
});

test('the office marks a minor, issues an address and bars a name', async () => {
  const office = await newPerson();
  try {
    const api = await signedIn(pembit.pembitUrl, 'office@kittiwake.example');
    const settings = { name: 'Kittiwake Point School of Boatcraft', students: 'mixed' };
    expect((await api.call('PUT', '/api/settings', settings)).ok).toBe(true);
    await office.open(pembit.pembitUrl);
    await office.click('button', 'Sign in as School office');
    await office.find('link', /^Your account/);
    await office.open(`${pembit.pembitUrl}/school`);
    await office.type(/Find somebody/, 'Ivo Salt');
    await office.click('button', 'Change name, address or rights of Ivo Saltmarsh');
    await office.sees('This student is an adult');
    await office.click('field', 'Is a minor');
    await office.sees('Noted whether Ivo Saltmarsh is a minor');
    await office.type('Whom it is for', 'Uncle');
    await office.click('button', 'Make an address');
    await office.sees('issued by the office');
    await office.type('Bar them, because of', 'A court said so.');
    await office.click('button', 'End the address for Uncle');
    await office.sees('Uncle is barred: A court said so.');
    await office.type('Whom it is for', 'uncle');
    await office.click('button', 'Make an address');
    await office.sees('An address for this name cannot be made.');
  } finally {
    await office.quit();
  }
});
