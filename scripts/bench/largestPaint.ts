import { PHONE, newPerson } from '../../tests/browser/browser';

const SLOWED = 4;

/** When the largest part of the student's home was painted, on a phone's size with a slowed processor; in milliseconds. */
export async function largestPaint(base: string, rounds: number): Promise<number[]> {
  const person = await newPerson(PHONE);
  try {
    await person.open(`${base}/sign-in`);
    await person.click('button', 'Sign in as Ivo Saltmarsh');
    await person.sees('Today and next');
    const driver = person.driver as typeof person.driver & {
      sendDevToolsCommand: (name: string, parameters: object) => Promise<void>;
    };
    await driver.sendDevToolsCommand('Emulation.setCPUThrottlingRate', { rate: SLOWED });
    const times: number[] = [];
    for (let i = 0; i < rounds; i++) {
      await person.open(`${base}/next`);
      times.push(
        await driver.executeAsyncScript<number>(
          `const done = arguments[0];
           let last = 0;
           new PerformanceObserver((list) => { for (const entry of list.getEntries()) last = entry.startTime; })
             .observe({ type: 'largest-contentful-paint', buffered: true });
           setTimeout(() => done(last), 1500);`,
        ),
      );
    }
    return times;
  } finally {
    await person.quit();
  }
}
