import { Key } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoId } from '../../src/server/demo/demoIds';
import { signedIn } from '../support/api';
import type { Person } from './browser';
import { DESKTOP, PHONE, newPerson } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';
import { violations } from './violations';

/** A course's site connects itself, things are placed in its page, and a student takes a time in a frame of it. */
let pembit: RunningPembit;
let site: string;
beforeAll(async () => {
  pembit = await startPembit({ PEMBIT_CHECK_ANSWERS: '1' });
  site = `${pembit.standinsUrl}/course-site`;
}, 120_000);
afterAll(() => pembit?.stop());

/** Frames of another site in the process of their page: chromedriver asks for accessible names in no other. */
const IN_ONE_PROCESS = [
  '--disable-site-isolation-trials',
  '--disable-features=IsolateOrigins,site-per-process,OriginIsolationHeader,OriginKeyedProcessesByDefault',
];

/** A browser that keeps the cookies of other sites apart from each page's own, and gives none of them to frames. */
const withoutThirdParty = (options: chrome.Options): void => {
  options.setUserPreferences({
    'profile.cookie_controls_mode': 1,
    'profile.block_third_party_cookies': true,
  });
  options.addArguments('--test-third-party-cookie-phaseout', ...IN_ONE_PROCESS);
};

/** Hangs a file into the outline of the course. */
async function withFile(title: string): Promise<void> {
  const api = await signedIn(pembit.pembitUrl, 'maren@kittiwake.example');
  const { id: file } = (await (await api.call('POST', '/api/files?name=a.txt', title)).json()) as {
    id: string;
  };
  await api.call('POST', `/api/courses/${demoId('HL 210')}/materials`, { kind: 'webContent', title, file });
}

/** Goes into a frame, which is looked at: what is out of sight is not drawn. */
const into = async ({ driver, element }: Person, css = 'iframe') => {
  const frame = await element(css);
  await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', frame);
  await driver.switchTo().frame(frame);
};
const out = ({ driver }: Person) => driver.switchTo().defaultContent();

test('the office has a site register itself, and accepts it', async () => {
  const office = await newPerson();
  await office.open(pembit.pembitUrl);
  await office.click('button', 'Sign in as School office');
  await office.find('link', /^Your account/);
  await office.open(`${pembit.pembitUrl}/school`);
  await office.unfold('Have a site register itself');
  await office.click('button', 'Make an address');
  const address = await (await office.find('field', 'Address for one registration')).getAttribute('value');
  await office.open(`${site}/connect`);
  await office.sees('Stand-in: a small simulated course site that launches into Pembit (LTI 1.3).');
  await office.type('Its registration address', address!);
  await office.click('button', 'Register');
  await office.sees('Pembit knows this site now.');
  await office.open(`${pembit.pembitUrl}/school`);
  await office.sees('has registered itself, and waits for your yes');
  await office.click('button', 'Accept it');
  await office.sees('Accepted 127.0.0.1');
  await office.open(address!);
  await office.sees('This address was used, or its hour is over.');
  await office.quit();
}, 120_000);

describe('in a frame of the site, without cookies of other sites', () => {
  let maren: Person;
  let linnea: Person;
  beforeAll(async () => {
    maren = await newPerson(DESKTOP, withoutThirdParty);
    linnea = await newPerson(PHONE, withoutThirdParty);
  }, 120_000);
  afterAll(() => Promise.all([maren?.quit(), linnea?.quit()]));

  test('an instructor signs in once, says which course it is, and places office hours and a day sheet', async () => {
    await maren.open(`${site}/write?as=m1`);
    await into(maren);
    await maren.sees('Only people with an account come in from here');
    expect(await violations(maren)).toEqual([]);
    await maren.type('E-mail address', 'maren@kittiwake.example');
    await maren.type('Password', 'not this one');
    await maren.click('button', 'Sign in and go on');
    await maren.sees('This e-mail address and password do not fit together.');
    await maren.type('Password', 'pembit-demo-2026');
    await maren.click('button', 'Sign in and go on');
    await maren.sees('Which course is this?');
    await maren.choose('Which of its sections', 'A');
    await maren.click('button', 'Link it');
    await maren.sees('Place something in the page');
    expect(await violations(maren)).toEqual([]);
    await maren.click('field', 'Office hours');
    await maren.click('button', 'Place it');
    await maren.sees('Choose one.');
    await maren.type('Which one', 'Office');
    await maren.press(Key.ARROW_DOWN, Key.ENTER);
    await maren.click('button', 'Place it');
    await maren.sees('The page has it now.');
    await out(maren);
    await withFile('Offsets of the demonstration hull');
    // The second time nothing is asked.
    await maren.open(`${site}/write?as=m1`);
    await into(maren);
    await maren.type('Day', 'Thu 15 Oct');
    await maren.click('button', 'Place it');
    await maren.sees('The page has it now.');
    await out(maren);
    await maren.open(`${site}/course?as=m1`);
    await into(maren, 'iframe[title="Office hours"]');
    await maren.sees('Opened from 127.0.0.1');
    await maren.sees('Change the sheet');
    await out(maren);
  }, 180_000);

  test('a student without an account takes a time, sees their own day, and is asked nothing the next time', async () => {
    await linnea.open(`${site}/course?as=s2`);
    await into(linnea, 'iframe[title="Office hours"]');
    await linnea.click('button', 'Go on without an account');
    await linnea.sees(/for Linnea Brask/);
    await linnea.clickOn('button[aria-label^="13:00"]');
    await linnea.click('button', 'Take this time');
    await linnea.sees(/Your times HL Wed 14 Oct, 13:00–13:25/);
    expect(await violations(linnea)).toEqual([]);
    await out(linnea);
    await linnea.open(`${site}/course?as=s2`);
    await into(linnea, 'iframe[title^="HL 210"]');
    await linnea.sees('Thursday, 15 October 2026');
    await linnea.sees(/for Linnea Brask/);
    // A file opens where one is: a tab of its own would know nobody.
    await linnea.driver.executeScript('location.assign("/materials?course=HL%20210")');
    const last = await linnea.element('main li:last-child');
    await linnea.driver.executeScript('arguments[0].scrollIntoView()', last);
    await linnea.click('link', 'Offsets of the demonstration hull');
    expect(await linnea.driver.getAllWindowHandles()).toHaveLength(1);
    await out(linnea);
    // What is not for such a place says so, with the way out.
    await linnea.open(`${pembit.pembitUrl}/lti/elsewhere?to=/account`);
    await linnea.sees('This is done in Pembit itself');
  }, 120_000);

  test('staff read who comes, and the roster follows who joins and who leaves', async () => {
    await maren.open(`${pembit.pembitUrl}/sign-in`);
    await maren.click('button', 'Sign in as Maren Toft');
    await maren.find('link', /^Your account/);
    await maren.open(`${pembit.pembitUrl}/office-hours`);
    await maren.click('link', /Office hours/);
    await maren.sees('Linnea Brask');
    await maren.open(`${site}/members-list`);
    const members = await maren.find('field', /^Members/);
    const listed = await members.getAttribute('value');
    await maren.type(/^Members/, `${listed}\ns3, Odo Ketch, odo@kittiwake.example, Learner`);
    await maren.click('button', 'Save');
    await maren.open(`${pembit.pembitUrl}/courses/HL%20210`);
    await maren.click('button', 'Compare its list with the roster');
    await maren.sees('1 new, 2 on both, 0 no longer on the site’s list');
    await maren.sees('New: Odo Ketch');
    await maren.click('button', 'Let the roster follow it');
    await maren.sees('1 new, 0 taken off');
    await maren.sees('Odo Ketch');
    await maren.open(`${site}/members-list`);
    await maren.type(/^Members/, listed!);
    await maren.click('button', 'Save');
    await maren.open(`${pembit.pembitUrl}/courses/HL%20210`);
    await maren.click('button', 'Read it now');
    await maren.sees('1 missing and still there');
    // Ended by whoever it opens: the next launch asks anew.
    await maren.open(`${pembit.pembitUrl}/account`);
    await maren.click(
      'button',
      'End what 127.0.0.1:4411 opens'.replace('127.0.0.1:4411', new URL(site).host),
    );
    await maren.sees('This site opens your account no more');
    await maren.open(`${site}/course?as=m1`);
    await into(maren, 'iframe[title="Office hours"]');
    await maren.sees('Who are you in Pembit?');
    await out(maren);
  }, 180_000);
});

test('a browser that gives frames no cookie at all goes on in a tab, by one click', async () => {
  // The frame’s cookies are refused altogether: what shows the browser comes by way of the site’s own frame.
  const ivo = await newPerson(DESKTOP, (options) => {
    options.setUserPreferences({
      'profile.cookie_controls_mode': 1,
      'profile.block_third_party_cookies': true,
      'profile.content_settings.exceptions.cookies': {
        [`${pembit.pembitUrl},${new URL(site).origin}`]: { setting: 2 },
      },
    });
    options.addArguments('--test-third-party-cookie-phaseout', ...IN_ONE_PROCESS);
  });
  await ivo.open(`${site}/course?as=s1`);
  await into(ivo, 'iframe[title="Office hours"]');
  await ivo.sees('Your browser does not let pages of other sites know you here.');
  await ivo.click('link', 'Open in a new tab');
  const tabs = await ivo.driver.getAllWindowHandles();
  await ivo.driver.switchTo().window(tabs.at(-1)!);
  await ivo.sees('Who are you in Pembit?');
  await ivo.type('E-mail address', 'ivo@kittiwake.example');
  await ivo.type('Password', 'pembit-demo-2026');
  await ivo.click('button', 'Sign in and go on');
  await ivo.sees(/for Ivo Saltmarsh/);
  await ivo.quit();
}, 120_000);
