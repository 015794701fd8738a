import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { Person } from './browser';
import { PHONE, newPerson } from './browser';
import type { RunningPembit } from './server';
import { startPembit } from './server';

/** How fields, lists and messages are handled: days, long lists, the focus, a session that ends. */
let pembit: RunningPembit;
let maren: Person;
beforeAll(async () => {
  pembit = await startPembit();
  maren = await newPerson();
  await maren.open(pembit.pembitUrl);
  await maren.click('button', 'Sign in as Maren Toft');
  await maren.sees('What waits for you');
});
afterAll(async () => {
  await maren?.quit();
  await pembit?.stop();
});

const valueOf = async (label: string) => (await maren.find('field', label)).getAttribute('value');
/** What has the focus, by its name. */
const focused = async () => (await maren.driver.switchTo().activeElement()).getAccessibleName();

async function signInOnAnotherTab(name: string): Promise<void> {
  const page = await maren.driver.getWindowHandle();
  await maren.driver.switchTo().newWindow('tab');
  await maren.open(`${pembit.pembitUrl}/sign-in`);
  await maren.click('button', `Sign in as ${name}`);
  await maren.sees('What waits for you');
  await maren.driver.close();
  await maren.driver.switchTo().window(page);
}

test('whoever teaches begins with what is next, who comes, what is due and what waits', async () => {
  await maren.sees('Next, 09:15');
  await maren.sees(/Who comes.*Emlyn Strake/);
  await maren.sees(/Due in the next 7 days.*Half-breadth plan/);
  await maren.click('link', '3 checks are open');
  await maren.sees('3 things to look at');
});

test('a day is typed in words; what means two days is asked, what is no day is said and kept', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.click('cell', /^week 10, Tue 10 Nov/);
  await maren.type('Title', 'Rope walk');
  await maren.click('field', 'HL Hull lofting');
  await maren.type('Day', 'Oct 28');
  await maren.press(Key.TAB);
  expect(await valueOf('Day')).toBe('Wed 28 Oct');
  await maren.sees('week 8, Wed 28 Oct');
  await maren.type('Day', '2/11');
  await maren.press(Key.TAB);
  await maren.click('button', 'Mon, 2 Nov 2026');
  expect(await valueOf('Day')).toBe('Mon 2 Nov');
  await maren.type('Day', 'soon');
  await maren.press(Key.TAB);
  await maren.sees('Write a day, such as 28 Oct');
  expect(await valueOf('Day')).toBe('soon');
  await maren.type('Day', 'week 8 Fri');
  await maren.press(Key.TAB);
  expect(await valueOf('Day')).toBe('Fri 30 Oct');
});

test('or chosen in a calendar that names closures and class days, by keyboard', async () => {
  await maren.click('button', 'Calendar: Day');
  await maren.find('any', /^Friday,? 30 October 2026/);
  await maren.sees('October 2026');
  await maren.driver.wait(async () => (await focused()).startsWith('Friday, 30 October 2026'), 10_000);
  await maren.click('button', 'Next month');
  await maren.find('any', /^Tuesday, 10 November 2026; no classes: Reading week/);
  await maren.find('any', /^Tuesday, 24 November 2026; classes: HL 210/);
  await maren.press(Key.ESCAPE);
  expect(await valueOf('Day')).toBe('Fri 30 Oct');
  await maren.click('button', 'Calendar: Day');
  await maren.driver.wait(async () => (await focused()).startsWith('Friday, 30 October 2026'), 10_000);
  await maren.press(Key.ARROW_LEFT);
  await maren.press(Key.ENTER);
  await maren.driver.wait(async () => (await valueOf('Day')) === 'Thu 29 Oct', 10_000);
  await maren.click('button', /^Save for/);
  await maren.sees('Added Rope walk');
});

test('an entry moves to a day without dragging, and the focus stays with it', async () => {
  await maren.click('button', 'Move to a day');
  await maren.type('To which day', '30 Oct');
  await maren.click('button', 'Move to week 8, Fri 30 Oct');
  await maren.sees('Moved Rope walk to week 8, Fri 30 Oct');
  await maren.sees('It falls on a day without classes: Harbour day'); // stands above the buttons, and moves them
  await maren.click('button', 'Delete');
  await maren.sees('Deleted Rope walk');
  await maren.driver.wait(
    async () =>
      (await maren.driver.executeScript<string>('return document.activeElement.tagName')) !== 'BODY',
    10_000,
  );
});

test('everything: few rows are drawn and all are printed, columns are chosen and stay', async () => {
  await maren.open(`${pembit.pembitUrl}/everything`);
  const rows = () => maren.driver.executeScript<number>('return document.querySelectorAll("tbody tr[data-index]").length'); // prettier-ignore
  const all = Number(/(\d+) entries/.exec(await maren.text())![1]);
  await maren.driver.wait(async () => (await rows()) < all / 2, 10_000);
  await maren.driver.executeScript('window.dispatchEvent(new Event("beforeprint"))');
  expect(await rows()).toBe(all);
  await maren.driver.executeScript('window.dispatchEvent(new Event("afterprint"))');
  await maren.driver.wait(async () => (await rows()) < all / 2, 10_000);
  await maren.driver.executeScript('window.scrollTo(0, document.body.scrollHeight)');
  await maren.sees(/week|15/);
  await maren.driver.executeScript('window.scrollTo(0, 0)');
  await maren.click('button', 'Title');
  await maren.sees(/Announcement|Battens/);
  await maren.click('button', 'Columns');
  await maren.clickOn('[role=menuitemcheckbox]'); // the first of them, Week
  await maren.press(Key.ESCAPE);
  const heads = () => maren.driver.executeScript<string>('return document.querySelector("thead").innerText.replace(/\\s+/g, " ")'); // prettier-ignore
  expect(await heads()).not.toContain('Week');
  await maren.driver.navigate().refresh();
  await maren.driver.wait(async () => !(await heads()).includes('Week'), 10_000);
});

test('a session that ends says so, keeps what was typed, and goes on after signing in again', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.click('cell', /^week 10, Tue 10 Nov/);
  await maren.type('Title', 'Written without a session');
  await maren.click('field', 'HL Hull lofting');
  await maren.driver.manage().deleteAllCookies();
  await maren.click('button', /^Save for/);
  await maren.sees('You are signed out: your session has ended.');
  expect(await valueOf('Title')).toBe('Written without a session');
  await signInOnAnotherTab('Maren Toft');
  await maren.doesNotSee('You are signed out');
  expect(await valueOf('Title')).toBe('Written without a session');
  await maren.click('button', /^Save for/);
  await maren.sees('Added Written without a session');
});

test('a quick line is added once, however often one presses Enter, and what is typed meanwhile stays', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.type('Quick line', 'Warping bollards, due week 10 Friday 5 pm, HL');
  await maren.press(Key.ENTER, Key.ENTER, Key.ENTER);
  await maren.type('Quick line', 'the next line');
  await maren.sees('Added Warping bollards');
  expect(await valueOf('Quick line')).toBe('the next line');
  await maren.type('Quick line', '');
  await maren.open(`${pembit.pembitUrl}/everything?text=Warping`);
  await maren.sees('Warping bollards');
  expect((await maren.text()).match(/Warping bollards/g)).toHaveLength(1);
});

test('when somebody else signs in on another tab, nothing that was typed before is theirs', async () => {
  await maren.open(`${pembit.pembitUrl}/term`);
  await maren.click('cell', /^week 10, Tue 10 Nov/);
  await maren.type('Title', 'Not for Tobias');
  await maren.click('field', 'HL Hull lofting');
  await maren.driver.manage().deleteAllCookies();
  await maren.sees('You are signed out: your session has ended.');
  await signInOnAnotherTab('Tobias Aldous');
  await maren.find('link', 'Your account, Tobias Aldous');
  await maren.driver.wait(
    async () => (await maren.driver.findElements({ css: 'aside' })).length === 0,
    20_000,
  );
  await maren.click('cell', /^week 10, Tue 10 Nov/);
  expect(await valueOf('Title')).toBe('');
  await maren.driver.manage().deleteAllCookies();
  await maren.open(`${pembit.pembitUrl}/sign-in`);
  await maren.click('button', 'Sign in as Maren Toft');
  await maren.sees('What waits for you');
});

test('on a phone every page is reachable, and the term opens at the present week', async () => {
  await maren.size(PHONE);
  await maren.open(`${pembit.pembitUrl}/today`);
  await maren.unfoldAt('nav details');
  await maren.click('link', /^Checks/);
  await maren.sees(/things to look at/);
  await maren.open(`${pembit.pembitUrl}/term`);
  const top = () => maren.driver.executeScript<number>('return document.getElementById("now").getBoundingClientRect().top'); // prettier-ignore
  await maren.driver.wait(async () => Math.abs(await top()) < 844, 10_000);
});
