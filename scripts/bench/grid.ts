/** The term's page with 6 courses and 600 entries: its answer, and what a hand does on it, in Chromium. */
import type { CourseId, TermId } from '../../src/core/ids';
import { demoId } from '../../src/server/demo/demoIds';
import { MAREN } from '../../src/server/demo/people';
import type { Person } from '../../tests/browser/browser';
import { DESKTOP, newPerson } from '../../tests/browser/browser';
import type { Api } from '../../tests/support/api';
import { signedIn } from '../../tests/support/api';
import { dragTrace, withTrace } from './dragTrace';
import type { Figure } from './table';
import { median, shareOf } from './table';

const ENTRIES = 600;
const ROUNDS = 20;
const MORE = [
  ['BK 1', 'BK', 'plum'],
  ['BK 2', 'BL', 'olive'],
  ['BK 3', 'BN', 'copper'],
  ['BK 4', 'BO', 'slate'],
] as const;

async function post(api: Api, path: string, body: unknown): Promise<void> {
  const answer = await api.call('POST', path, body);
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
}

/** Maren's two courses become six; events and assignments are spread over them and over the term's working days. */
export async function fillTerm(base: string): Promise<Api> {
  const [office, maren] = await Promise.all(
    ['office@kittiwake.example', 'maren@kittiwake.example'].map((email) => signedIn(base, email)),
  );
  const term = demoId<TermId>('term');
  for (const [code, tag, color] of MORE)
    await post(office!, '/api/courses', { term, instructor: MAREN.id, code, title: code, tag, color, sections: [{ name: 'A', week: 'Tue Thu 16-17' }] }); // prettier-ignore
  const page = (await (await maren!.call('GET', '/term')).text()).replaceAll('\\"', '"');
  const made = [...page.matchAll(/\{"id":"([0-9a-f-]{36})","tag":"B[KLNO]"/g)].map((match) => match[1]!);
  const courses = [...new Set([demoId<CourseId>('HL 210'), demoId<CourseId>('NV 140'), ...made])];
  if (courses.length !== 6) throw new Error(`There are ${courses.length} courses, not 6.`);
  const first = Date.UTC(2026, 8, 8);
  for (let i = 0; i < ENTRIES; i++) {
    const day = new Date(first + ((i * 7) % 100) * 86_400_000).toISOString().slice(0, 10);
    const audience = [{ course: courses[i % 6] }];
    await post(
      maren!,
      '/api/entries',
      i % 3 === 0
        ? { kind: 'assignment', title: `Work ${i}`, due: `${day}T17:00`, audience }
        : { kind: 'event', title: `Event ${i}`, start: `${day}T11:00`, end: `${day}T12:00`, audience },
    );
  }
  return maren!;
}

/** `maren` teaches the courses that `fillTerm` has filled. */
export async function gridFigures(base: string, maren: Api): Promise<Figure[]> {
  const figures: Figure[] = [];
  for (const path of ['/term', '/api/occurrences?from=2026-09-07&to=2026-12-20'])
    figures.push({ what: `GET ${path.split('?')[0]} with ${ENTRIES} entries, warm`, value: await median(async () => (await maren.call('GET', path)).text(), ROUNDS), unit: 'ms', goal: { most: 150 } }); // prettier-ignore
  const person = await newPerson();
  try {
    await signInAsMaren(person, base);
    await person.open(`${base}/term`);
    const select = await person.driver.executeAsyncScript<number[]>(
      `const [rounds, done] = arguments;
     const marks = [...document.querySelectorAll('[data-key][data-movable="true"]')];
     const times = [];
     const next = (i) => {
       if (i === rounds) return done(times);
       const mark = marks[(i * 7) % marks.length];
       const began = performance.now();
       mark.click();
       const look = () => mark.getAttribute('aria-pressed') === 'true'
         ? requestAnimationFrame(() => { times.push(performance.now() - began); setTimeout(() => next(i + 1), 50); })
         : requestAnimationFrame(look);
       look();
     };
     next(0);`,
      ROUNDS,
    );
    figures.push({ what: 'selecting an entry until it is drawn', value: shareOf(select, 0.5), unit: 'ms', goal: { most: 100 } }); // prettier-ignore
    const drops: number[] = [];
    const timedDrag = async () => {
      const mark = await person.element('[data-kind="due"][data-movable="true"]');
      const target = await person.element('[data-date="2026-10-22"]');
      await person.driver.executeScript(
        `const [mark] = arguments; const { key } = mark.dataset; const cell = mark.closest('[data-date]');
       window.dropTook = undefined;
       addEventListener('pointerup', () => {
         const began = performance.now();
         const look = () => !cell.querySelector('[data-key="' + key + '"]')
           ? requestAnimationFrame(() => { window.dropTook = performance.now() - began; })
           : requestAnimationFrame(look);
         look();
       }, { once: true, capture: true });`,
        mark,
      );
      await person.drag(mark, target);
    };
    // A page that was drawn anew between finding a mark and dragging it is tried again.
    for (let tries = 0; drops.length < 8 && tries < 30; tries++) {
      const dragged = await timedDrag().then(
        () => true,
        (error: Error) => {
          if (error.name !== 'StaleElementReferenceError') throw error;
          return false;
        },
      );
      if (!dragged) continue;
      await person.driver.wait(
        () => person.driver.executeScript('return window.dropTook !== undefined'),
        15_000,
      );
      drops.push(await person.driver.executeScript<number>('return window.dropTook'));
    }
    figures.push({ what: 'dropping an entry until it has left its day', value: shareOf(drops, 0.5), unit: 'ms', goal: { most: 100 } }); // prettier-ignore
  } finally {
    await person.quit();
  }
  return [...figures, ...(await dragFigures(base))];
}

/** A browser of its own: its trace holds no more than a minute. */
async function dragFigures(base: string): Promise<Figure[]> {
  const person = await newPerson(DESKTOP, withTrace);
  try {
    await signInAsMaren(person, base);
    await person.open(`${base}/term`);
    const { due, dropped, tasks } = await dragTrace(person);
    return [
      { what: `dragging: frames dropped, of ${due} that were due, by Chromium’s own trace`, value: dropped, unit: '', goal: { most: 0 } },
      { what: `dragging: the longest of ${tasks.length} tasks, by the same trace`, value: Math.max(0, ...tasks), unit: 'ms', goal: { most: 50 } },
    ]; // prettier-ignore
  } finally {
    await person.quit();
  }
}

async function signInAsMaren(person: Person, base: string): Promise<void> {
  await person.open(`${base}/sign-in`);
  await person.click('button', 'Sign in as Maren Toft');
  await person.find('link', /^Your account/);
}
