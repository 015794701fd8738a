import { Secret, TOTP } from 'otpauth';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { anonymous, signedIn } from '../support/api';
import type { Person } from './browser';
import { newPerson } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';

let pembit: RunningPembit;
let person: Person;
/** When the server's clock was set, or a little after. */
let started: number;
const NOW = '2026-10-13T12:00:00Z';
beforeAll(async () => {
  pembit = await startPembit({ PEMBIT_NOW: NOW });
  started = Date.now();
  person = await newPerson();
});
afterAll(async () => {
  await person?.quit();
  await pembit?.stop();
});

const NEW = 'battens and a low sheer';
const signInPage = async () => {
  await person.driver.manage().deleteAllCookies();
  await person.open(`${pembit.pembitUrl}/sign-in`);
};

test('a forgotten password is chosen anew by a letter; a common one is refused with a reason', async () => {
  await signInPage();
  await person.click('link', 'I have forgotten my password');
  // The page before has a field of the same name.
  await person.sees('A letter brings a link');
  await person.type('E-mail address', 'signe@kittiwake.example');
  await person.click('button', 'Send the link');
  await person.sees('a letter is on its way');
  await person.open(`${pembit.standinsUrl}/mailbox`);
  await person.driver.wait(async () => {
    await person.driver.navigate().refresh();
    return (await person.text()).includes('A new password for Pembit');
  }, 20_000);
  const [link] = /http:\/\/localhost:\d+\/welcome\/[\w-]+/.exec(await person.text()) ?? [];
  await person.open(link!);
  await person.sees('A new password');
  await person.type('Password', 'password12345');
  await person.click('button', 'Save and sign in');
  await person.sees('one of the passwords that are tried first');
  await person.type('Password', NEW);
  await person.click('button', 'Save and sign in');
  await person.find('link', /^Your account/);
});

test('an instructor sets up a second step, and signs in with a code', async () => {
  await signInPage();
  await person.click('button', 'Sign in as Maren Toft');
  await person.sees('What waits for you');
  await person.open(`${pembit.pembitUrl}/account`);
  await person.click('button', 'Set up a second step');
  await person.sees('Photograph this');
  const key = /Key: ([A-Z2-7 ]+)/.exec(await person.text())![1]!.replaceAll(' ', '');
  // By the clock of the demonstration, which runs on from where it was set; one step ahead, so that no code is used twice.
  const code = (steps: number) =>
    new TOTP({ secret: Secret.fromBase32(key) }).generate({
      timestamp: Date.parse(NOW) + Date.now() - started + steps * 30_000,
    });
  await person.type('Code', '000000');
  await person.click('button', 'Turn the second step on');
  await person.sees('This code does not fit');
  await person.type('Code', code(0));
  await person.click('button', 'Turn the second step on');
  await person.sees('Write these down');
  const recovery = /\b[0-9a-f]{4}(-[0-9a-f]{4}){3}\b/.exec(await person.text())![0];

  await signInPage();
  await person.type('E-mail address', 'maren@kittiwake.example');
  await person.type('Password', 'pembit-demo-2026');
  await person.click('button', 'Sign in');
  await person.sees('Type the code that your authenticator shows now');
  await person.type('Code', recovery);
  await person.click('button', 'Sign in');
  await person.sees('What waits for you');
  await person.open(`${pembit.pembitUrl}/account`);
  await person.type('Code', code(1));
  await person.click('button', 'Turn the second step off');
  await person.sees('Turned the second step off');
});

test('where the school asks staff for a second step, nothing else opens before it is set up', async () => {
  const office = await signedIn(pembit.pembitUrl, 'office@kittiwake.example');
  const settings = { name: 'Kittiwake', locale: 'en-GB', weekStart: 1 };
  const asks = (secondStepForStaff: boolean) => office.call('PUT', '/api/settings', { ...settings, secondStepForStaff }); // prettier-ignore
  const tobias = await signedIn(pembit.pembitUrl, 'tobias@kittiwake.example');
  expect((await asks(true)).status).toBe(200);
  const refusal = await tobias.call('GET', '/api/occurrences?from=2026-10-12&to=2026-10-18');
  expect([refusal.status, ((await refusal.json()) as { type: string }).type]).toEqual([403, 'urn:pembit:problem:secondStepOwed']); // prettier-ignore
  await signInPage();
  await person.click('button', 'Sign in as Tobias Aldous');
  await person.sees('asks everybody who teaches or administers for a second step');
  await person.open(`${pembit.pembitUrl}/term`);
  await person.click('link', 'Set up a second step');
  await person.click('button', 'Set up a second step');
  await person.sees('Photograph this');
  const key = /Key: ([A-Z2-7 ]+)/.exec(await person.text())![1]!.replaceAll(' ', '');
  await person.type('Code', new TOTP({ secret: Secret.fromBase32(key) }).generate({ timestamp: Date.parse(NOW) + Date.now() - started })); // prettier-ignore
  await person.click('button', 'Turn the second step on');
  await person.sees('Write these down');
  await person.open(`${pembit.pembitUrl}/term`);
  await person.sees('The term, week by week');
  // Whoever asked for it owes it as well; a student never does.
  expect((await asks(false)).status).toBe(403);
  const student = await signedIn(pembit.pembitUrl, 'ivo@kittiwake.example');
  expect((await student.call('GET', '/api/occurrences?from=2026-10-12&to=2026-10-18')).status).toBe(200);
});

test('by way of the school: who is vouched for is in, everybody else is told why not', async () => {
  const goThere = async (email: string, unverified = false) => {
    await person.driver.manage().deleteAllCookies();
    await person.open(`${pembit.pembitUrl}/sign-in?to=/week`);
    await person.click('link', 'Sign in by way of the school');
    await person.sees('Sign in at the school');
    await person.type(/^Address you sign in with/, email);
    if (unverified) await person.click('field', /has not verified/);
    await person.click('button', 'Go on');
  };
  await goThere('maren@kittiwake.example', true);
  await person.sees('does not lead to an account here');
  await goThere('nobody@kittiwake.example');
  await person.sees('does not lead to an account here');
  await goThere('tobias@kittiwake.example');
  await person.find('link', /^Your account/);
  expect(await person.driver.getCurrentUrl()).toBe(`${pembit.pembitUrl}/week`);

  // An answer that this browser did not ask for, or that was altered, leads nowhere.
  const nobody = anonymous(pembit.pembitUrl);
  const begun = await nobody.call('GET', '/api/school-sign-in?to=//elsewhere.example');
  const cookie = begun.headers.get('set-cookie')!.split(';')[0]!;
  for (const sent of ['', cookie, `${cookie}x`]) {
    const answer = await anonymous(pembit.pembitUrl, sent).call('GET', '/api/school-sign-in/callback?code=x&state=y');
    expect(answer.headers.get('location')).toMatch(/^\/sign-in\?refused=/);
    expect(answer.headers.get('set-cookie')).not.toContain('pembit_session=');
  }
}); // prettier-ignore
