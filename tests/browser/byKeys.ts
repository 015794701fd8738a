import { Key } from 'selenium-webdriver';
import type { Person } from './browser';
import { matches } from './browser';

/** Somebody without a pointer: what has the focus is found by pressing Tab, and acted on by keys. */
export function byKeys(who: () => Person) {
  const keys = (...list: string[]) =>
    who()
      .driver.actions()
      .sendKeys(...list)
      .perform();
  /** Presses Tab until the focus is on what has this name; pages are drawn anew meanwhile, so it may take a second round. */
  async function reach(wanted: string | RegExp, tag?: string): Promise<void> {
    const { driver } = who();
    for (let i = 0; i < 600; i++) {
      const element = await driver.switchTo().activeElement();
      const [name, kind] = await Promise.all([element.getAccessibleName(), element.getTagName()]).catch(
        () => ['', ''],
      );
      if (matches(name!, wanted) && (tag ?? kind) === kind) return;
      await keys(Key.TAB);
    }
    throw new Error(`Tab does not reach ${wanted}.\n${await who().text()}`);
  }
  return {
    keys,
    reach,
    go: async (name: string | RegExp) => {
      await reach(name);
      await keys(Key.ENTER);
    },
    tick: async (name: string | RegExp) => {
      await reach(name);
      await keys(Key.SPACE);
    },
    write: async (name: string | RegExp, text: string) => {
      await reach(name);
      await who().driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
      await keys(text);
      const typed = await (await who().driver.switchTo().activeElement()).getAttribute('value');
      if (typed !== text) throw new Error(`In ${name} stands “${typed}”, where “${text}” was typed.`);
    },
  };
}
