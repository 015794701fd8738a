import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Builder, By, logging, until } from 'selenium-webdriver';
import type { WebDriver, WebElement } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';

export const DESKTOP = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844 };
type Size = typeof DESKTOP;

/** How long a locator goes on trying: generous, since nothing here measures time. */
const PATIENCE = Number(process.env.PEMBIT_TEST_PATIENCE ?? 60_000);

/** One person at one browser, acting through what stands on the screen. */
export type Person = Readonly<{
  driver: WebDriver;
  open: (url: string) => Promise<void>;
  /** Clicks what a person would name: a button, link, field or cell by its accessible name (exact or a pattern). */
  click: (role: Role, name: string | RegExp) => Promise<void>;
  type: (label: string | RegExp, text: string) => Promise<void>;
  /** The same within a part of the page, where two fields have one name. */
  typeInto: (css: string, label: string | RegExp, text: string) => Promise<void>;
  choose: (label: string | RegExp, option: string) => Promise<void>;
  /** Chooses a file of the machine. */
  chooseFile: (label: string | RegExp, file: string) => Promise<void>;
  press: (...keys: string[]) => Promise<void>;
  /** One key with another held down. */
  chord: (held: string, key: string) => Promise<void>;
  /** Presses on one thing, moves to another (or to a point in it), releases: as a hand does, in steps. */
  drag: (from: WebElement, to: WebElement, at?: { x: number; y: number }) => Promise<void>;
  /** How many inputs (a click, a tap, a key chord, a drag, the filling of one field) it took since the last time one asked. */
  inputs: () => number;
  find: (role: Role, name: string | RegExp) => Promise<WebElement>;
  /** For what has no name of its own: the first element by a CSS selector. */
  element: (css: string) => Promise<WebElement>;
  clickOn: (css: string) => Promise<void>;
  /** Opens what is folded away under these words. */
  unfold: (words: string) => Promise<void>;
  /** Opens the first thing folded away within what a CSS selector finds. */
  unfoldAt: (css: string) => Promise<void>;
  sees: (text: string | RegExp) => Promise<void>;
  doesNotSee: (text: string) => Promise<void>;
  text: () => Promise<string>;
  /** `forced`: where the system chooses all colours. */
  size: (size: Size, dark?: boolean, forced?: boolean) => Promise<void>;
  /** Ends the browser; fails when the console said that anything went against the content policy. */
  quit: () => Promise<void>;
}>;

export type Role = 'button' | 'link' | 'field' | 'cell' | 'any';

const SELECTORS: Record<Role, string> = {
  button: 'button, [role=button], [role=menuitemradio], input[type=submit]',
  link: 'a[href]',
  field: 'input, textarea, select, [role=textbox]',
  cell: '[role=gridcell]',
  any: 'button, a[href], input, textarea, select, [role=gridcell]',
};

/**
 * Names as most elements get them: by a label of their own, a label element, or their text. Buttons with an icon begin
 * with a space without width, which nobody hears. Given are the selector, where to look, and a name or a pattern.
 */
const PROPOSE = `const [selector, within, exact, source, flags] = arguments;
  const pattern = source === null ? null : new RegExp(source, flags);
  return [...(document.querySelector(within) ?? document.createElement('p')).querySelectorAll(selector)].filter((e) => {
    const label = e.getAttribute('aria-label') ?? (e.labels && e.labels.length ? e.labels[0].innerText : e.innerText) ?? '';
    const name = label.replace(/\\s+/g, ' ').replaceAll('\\u200b', '').trim();
    return pattern ? pattern.test(name) : name === exact;
  });`;

const SET_VALUE = `const prototype = arguments[0].tagName === 'TEXTAREA' ? HTMLTextAreaElement : HTMLInputElement;
  Object.getOwnPropertyDescriptor(prototype.prototype, 'value').set.call(arguments[0], arguments[1]);
  arguments[0].dispatchEvent(new Event('input', { bubbles: true }));`;

const spoken = (name: string) => name.replaceAll('\u200b', '').trim();
/** Whether something is called so. */
export const matches = (name: string, wanted: string | RegExp) =>
  typeof wanted === 'string' ? spoken(name) === wanted : wanted.test(spoken(name));

/** `prepare` sets what else the browser is to do. */
export async function newPerson(
  size: Size = DESKTOP,
  prepare: (options: chrome.Options) => void = () => undefined,
): Promise<Person> {
  const profile = mkdtempSync(path.join(tmpdir(), 'pembit-browser-'));
  const options = new chrome.Options();
  options.setChromeBinaryPath('/usr/bin/chromium');
  options.addArguments(
    '--headless=new', '--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu', '--disable-background-networking',
    '--disable-component-update', '--disable-sync', '--no-first-run', '--hide-scrollbars', `--user-data-dir=${profile}`,
  ); // prettier-ignore
  const heard = new logging.Preferences();
  heard.setLevel(logging.Type.BROWSER, logging.Level.ALL);
  options.setLoggingPrefs(heard);
  prepare(options);
  const driver = (await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
    .build()) as WebDriver & { sendDevToolsCommand: (name: string, params: object) => Promise<void> };

  // A check of a whole page takes long on a busy machine.
  await driver.manage().setTimeouts({ script: 120_000 });

  const setSize = async ({ width, height }: Size, dark = false, forced = false) => {
    await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
      width,
      height,
      deviceScaleFactor: 1,
      mobile: width < 600,
    });
    await driver.sendDevToolsCommand('Emulation.setEmulatedMedia', {
      features: [
        { name: 'prefers-color-scheme', value: dark ? 'dark' : 'light' },
        { name: 'forced-colors', value: forced ? 'active' : 'none' },
      ],
    });
  };
  await setSize(size);
  // At the school, unless somebody is elsewhere.
  await driver.sendDevToolsCommand('Emulation.setTimezoneOverride', { timezoneId: 'America/Halifax' });

  /** Retries until an element answers: pages are drawn anew after every act. */
  const withRetry = async <T>(what: string, attempt: () => Promise<T | undefined>): Promise<T> => {
    let last: unknown;
    const found = await driver
      .wait(async () => {
        try {
          return (await attempt()) ?? false;
        } catch (error) {
          last = error;
          return false;
        }
      }, PATIENCE)
      .catch(() => false as const);
    if (found === false)
      throw new Error(
        `${what}. ${last instanceof Error ? last.message : ''}\nOn the page:\n${await pageText()}`,
      );
    return found as T;
  };

  const pageText = () => driver.executeScript<string>('return document.body ? document.body.innerText : ""');

  const locate = async (
    role: Role,
    name: string | RegExp,
    within = 'body',
  ): Promise<WebElement | undefined> => {
    // The page proposes in one go; the browser's own accessible name decides.
    const [exact, source, flags] =
      typeof name === 'string' ? [name, null, ''] : [null, name.source, name.flags];
    const proposed = await driver.executeScript<WebElement[]>(
      PROPOSE,
      SELECTORS[role],
      within,
      exact,
      source,
      flags,
    );
    for (const element of proposed) {
      if (!matches(await element.getAccessibleName(), name)) continue;
      // The boxes of radio buttons and checkboxes are drawn by the theme; the input lies above them, transparent.
      const type = await element.getAttribute('type');
      if (type === 'radio' || type === 'checkbox' || (await element.isDisplayed())) return element;
    }
    return undefined;
  };
  /** Scrolls to the middle, as a person does with what hides behind a bar, and clicks. */
  const tap = async (element: WebElement) => {
    await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', element);
    await element.click();
  };
  /** A day is clicked where nothing stands on it: at its right edge. */
  const clickBeside = async (cell: WebElement) => {
    const { width } = await cell.getRect();
    await driver.executeScript('arguments[0].scrollIntoView({ block: "nearest" })', cell);
    await driver
      .actions()
      .move({ origin: cell, x: Math.floor(width / 2) - 5, y: 0 })
      .click()
      .perform();
  };
  /** Until React has taken over, a click is lost: wait for the handlers of the first interactive element. */
  const hydrated = () =>
    driver.wait(
      () =>
        driver.executeScript<boolean>(
          `const e = document.querySelector('main button, main a, main input, #page'); return !e || document.contentType !== 'text/html' || !document.querySelector('script[src*="_next"]') || Object.keys(e).some((k) => k.startsWith('__react'));`,
        ),
      PATIENCE,
    );

  /** Types over what a field holds; what is long goes in as a whole. */
  const enter = async (within: string, label: string | RegExp, text: string) => {
    await withRetry(`No field called ${label}`, async () => {
      const element = await locate('field', label, within);
      if (!element) return undefined;
      if (text.length > 400) await driver.executeScript(SET_VALUE, element, text);
      else await element.sendKeys('\uE009a\uE000', text === '' ? '\uE003' : text); // Control+A, then over it
      return element;
    });
  };

  let inputs = 0;

  /** Opens what is folded, again where the page moved under the pointer and the click fell beside it. */
  const open = async (what: string, summary: By) => {
    inputs += 1;
    await withRetry(what, async () => {
      const [element] = await driver.findElements(summary);
      if (!element) return undefined;
      const isOpen = () => driver.executeScript<boolean>('return arguments[0].parentElement.open', element);
      if (!(await isOpen())) await tap(element);
      return (await isOpen()) || undefined;
    });
  };

  return {
    driver,
    inputs: () => {
      const count = inputs;
      inputs = 0;
      return count;
    },
    open: async (url) => {
      await driver.get(url);
      await hydrated();
    },
    click: async (role, name) => {
      inputs += 1;
      await withRetry(`Nothing to click called ${name}`, async () => {
        const element = await locate(role, name);
        if (element && role === 'cell') await clickBeside(element);
        else if (element) await tap(element);
        return element;
      });
    },
    type: (label, text) => {
      inputs += 1;
      return enter('body', label, text);
    },
    typeInto: (within, label, text) => {
      inputs += 1;
      return enter(within, label, text);
    },
    choose: async (label, option) => {
      inputs += 1;
      const select = await withRetry(`No choice called ${label}`, () => locate('field', label));
      await withRetry(`No option ${option}`, async () => {
        // In one go: some lists hold every zone of the world.
        const found = await driver.executeScript<WebElement | null>(
          'return [...arguments[0].options].find((o) => o.text.trim() === arguments[1]) ?? null',
          select,
          option,
        );
        await found?.click();
        return found ?? undefined;
      });
    },
    chooseFile: async (label, file) => {
      inputs += 1;
      const field = await withRetry(`No field called ${label}`, () => locate('field', label));
      await field.sendKeys(file);
    },
    press: async (...keys) => {
      inputs += 1;
      await driver
        .actions()
        .sendKeys(...keys)
        .perform();
    },
    find: (role, name) => withRetry(`Nothing called ${name}`, () => locate(role, name)),
    element: (css) => withRetry(`No ${css}`, async () => (await driver.findElements(By.css(css)))[0]),
    chord: async (held, key) => {
      inputs += 1;
      await driver.actions().keyDown(held).sendKeys(key).keyUp(held).perform();
    },
    drag: async (from, to, at = { x: 0, y: 0 }) => {
      inputs += 1;
      await driver.executeScript('arguments[0].scrollIntoView({ block: "nearest" })', from);
      await driver
        .actions()
        .move({ origin: from })
        .press()
        .move({ origin: from, x: 8, y: 4 })
        .move({ origin: to, ...at, duration: 150 })
        .pause(60)
        .release()
        .perform();
    },
    clickOn: async (css) => {
      inputs += 1;
      await withRetry(`Nothing to click at ${css}`, async () => {
        const [element] = await driver.findElements(By.css(css));
        if (element) await tap(element);
        return element;
      });
    },
    unfold: (words) =>
      open(`Nothing folded under ${words}`, By.xpath(`//summary[normalize-space()="${words}"]`)),
    unfoldAt: (css) => open(`Nothing folded at ${css}`, By.css(`${css} summary`)),
    sees: async (text) => {
      await withRetry(`Not on the page: ${text}`, async () => {
        const all = (await pageText()).replace(/\s+/g, ' ');
        return (typeof text === 'string' ? all.includes(text) : text.test(all)) || undefined;
      });
    },
    doesNotSee: async (text) => {
      await withRetry(
        `Still on the page: ${text}`,
        async () => !(await pageText()).replace(/\s+/g, ' ').includes(text) || undefined,
      );
    },
    text: pageText,
    size: setSize,
    quit: async () => {
      const said = await driver.manage().logs().get(logging.Type.BROWSER);
      await driver.quit();
      rmSync(profile, { recursive: true, force: true });
      // A page in a frame where it may not stand is refused on purpose.
      const violations = said
        .map(({ message }) => message)
        .filter((line) => /content security policy/i.test(line) && !/frame-ancestors/i.test(line));
      if (violations.length > 0)
        throw new Error(`The content policy was violated:\n${violations.join('\n')}`);
    },
  };
}

export const toFrame = (driver: WebDriver, css: string) =>
  driver.wait(until.ableToSwitchToFrame(By.css(css)), PATIENCE);
