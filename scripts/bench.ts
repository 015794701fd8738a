/** npm run bench: how fast a term of 6 courses and 600 entries answers, in milliseconds, on the machine it runs on. */
import { suggestMaterials } from '../src/core/materials/suggestMaterials';
import { findAll } from '../src/core/checks/allChecks';
import type { CheckedEntry } from '../src/core/checks/check';
import { checkedPeople } from '../src/core/checks/checkedPeople';
import type { CourseId, EntryId, PersonId, TermId } from '../src/core/ids';
import { requireZone } from '../src/core/time/zoneData';
import { demoId } from '../src/server/demo/demoIds';
import { MAREN } from '../src/server/demo/people';
import { DESKTOP, newPerson } from '../tests/browser/browser';
import { startPembit } from '../tests/browser/server';
import type { Api } from '../tests/support/api';
import { signedIn } from '../tests/support/api';
import { assignment, at, course, event, term } from '../tests/support/plans';

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
async function fill(base: string): Promise<Api> {
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

function report(what: string, times: number[], ceiling: number): void {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) =>
    sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!.toFixed(0);
  console.log(`${what}: median ${at(0.5)} ms, 95 % within ${at(0.95)} ms (meant to stay under ${ceiling})`);
}

/** All checks over a term of 600 entries in 6 courses with 90 students, in this process. */
function checks(): void {
  const courses = Array.from({ length: 6 }, (_, i) =>
    course({ id: `c${i}` as CourseId, tag: `C${i}`, code: `C ${i}` }),
  );
  const entries = Array.from({ length: ENTRIES }, (_, i): CheckedEntry => {
    const date = term.startsOn.add({ days: (i * 7) % 100 }).toString();
    const shared = { id: `e${i}` as EntryId, title: `Work ${i}`, audience: [{ course: courses[i % 6]!.id }] };
    const entry =
      i % 3 === 0
        ? assignment({ ...shared, due: at(`${date}T17:00`), description: '<p>Due on 12 October.</p>' })
        : event({ ...shared, when: { kind: 'timed', start: at(`${date}T11:00`), end: at(`${date}T12:00`) } });
    return { ...entry, release: 'shown', asStaff: true, whole: true };
  });
  const enrolled = courses.flatMap((c, n) =>
    Array.from({ length: 30 }, (_, i) => ({
      course: c.id,
      person: `p${(i + n * 10) % 90}` as PersonId,
      groups: [],
    })),
  );
  const times: number[] = [];
  for (let i = 0; i < ROUNDS + 5; i++) {
    const began = performance.now();
    const input = { term, courses, closures: [], entries, classes: [], peopleOf: checkedPeople(enrolled), linkTests: new Map(), today: term.startsOn, zoneOf: requireZone, locale: 'en-GB' }; // prettier-ignore
    findAll(input);
    if (i >= 5) times.push(performance.now() - began);
  }
  report(`all checks over ${ENTRIES} entries`, times, 100);
}

/** Searching a course's outline of 2,000 materials. */
function search(): void {
  const list = Array.from({ length: 2000 }, (_, i) => ({
    id: `m${i}`,
    title: `${['Lines', 'Bevels', 'Moulds', 'Rabbet'][i % 4]} and boards ${i}`,
    unit: `Unit ${Math.floor(i / 20)}`,
    used: i % 3 === 0,
    recency: i % 3 === 0 ? i : 0,
  }));
  const times: number[] = [];
  for (let i = 0; i < ROUNDS + 5; i++) {
    const began = performance.now();
    suggestMaterials(list, `bev boards ${i}`, 8);
    if (i >= 5) times.push(performance.now() - began);
  }
  report('searching an outline of 2,000 materials', times, 50);
}

checks();
search();
const pembit = await startPembit();
const person = await newPerson();
try {
  const maren = await fill(pembit.pembitUrl);

  for (const path of ['/term', '/api/occurrences?from=2026-09-07&to=2026-12-20']) {
    const times: number[] = [];
    for (let i = 0; i < ROUNDS + 5; i++) {
      const began = performance.now();
      await (await maren.call('GET', path)).text();
      if (i >= 5) times.push(performance.now() - began);
    }
    report(`GET ${path}, warm`, times, 150);
  }

  await person.size(DESKTOP);
  await person.open(`${pembit.pembitUrl}/sign-in`);
  await person.click('button', 'Sign in as Maren Toft');
  await person.find('link', /^Your account/);
  await person.open(`${pembit.pembitUrl}/term`);

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
  report('selecting an entry until it is drawn', select, 100);

  const drops: number[] = [];
  for (let i = 0; i < 8; i++) {
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
    await person.driver.wait(
      () => person.driver.executeScript('return window.dropTook !== undefined'),
      15_000,
    );
    drops.push(await person.driver.executeScript<number>('return window.dropTook'));
  }
  report('dropping an entry until it has left its day', drops, 100);
} finally {
  await person.quit();
  await pembit.stop();
}
