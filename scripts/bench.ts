/** npm run bench: how fast a term of 6 courses and 600 entries answers, in milliseconds, on the machine it runs on. */
import { Agent, createServer, get } from 'node:http';
import type { AddressInfo } from 'node:net';
import { suggestMaterials } from '../src/core/materials/suggestMaterials';
import { findAll } from '../src/core/checks/allChecks';
import type { CheckedEntry } from '../src/core/checks/check';
import { checkedPeople } from '../src/core/checks/checkedPeople';
import type { CourseId, EntryId, OutletId, PersonId, TermId } from '../src/core/ids';
import type { Outlet } from '../src/core/outlets/outlet';
import { PUBLISHED_DEFAULTS } from '../src/core/outlets/outlet';
import { outletContents } from '../src/core/outlets/outletContents';
import { outletViewer } from '../src/core/outlets/outletViewer';
import { requireZone } from '../src/core/time/zoneData';
import { outletFile } from '../src/server/outlets/outletFile';
import { demoId } from '../src/server/demo/demoIds';
import { MAREN } from '../src/server/demo/people';
import { DESKTOP, newPerson } from '../tests/browser/browser';
import { startPembit } from '../tests/browser/server';
import type { Api } from '../tests/support/api';
import { signedIn } from '../tests/support/api';
import { HL, NOW, assignment, at, course, event, plan, student, term } from '../tests/support/plans';
import { runStorm } from '../tests/support/storm';
import { loadTimes } from './benchLoad';
import { largestPaint } from './benchPaint';

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
    const input = { term, courses, closures: [], entries, classes: [], peopleOf: checkedPeople(enrolled), linkTests: new Map(), today: term.startsOn, now: NOW, outlets: [], calendars: [], zoneOf: requireZone, locale: 'en-GB' }; // prettier-ignore
    findAll(input);
    if (i >= 5) times.push(performance.now() - began);
  }
  report(`all checks over ${ENTRIES} entries`, times, 100);
}

/** A feed from the plan to its bytes, zones warm, nothing compressed. */
function feeds(): void {
  for (const [count, ceiling] of [
    [500, 25],
    [5000, 250],
  ] as const) {
    const entries = Array.from({ length: count }, (_, i) =>
      event({
        id: `e${i}` as EntryId,
        uid: `uid-${i}`,
        title: `Event ${i}`,
        description: '<p>Bring battens and a straight edge.</p>',
        when: {
          kind: 'timed',
          start: at(`${term.startsOn.add({ days: i % 100 })}T11:00`),
          end: at(`${term.startsOn.add({ days: i % 100 })}T12:00`),
        },
      }),
    );
    const given = plan({ entries });
    const outlet: Outlet = {
      ...PUBLISHED_DEFAULTS,
      id: 'o' as OutletId,
      kind: 'feed',
      audience: 'public',
      name: 'HL',
      owner: 'p' as PersonId,
      generation: 1,
      courses: [HL],
    };
    const viewer = outletViewer(outlet, student());
    const times: number[] = [];
    for (let i = 0; i < ROUNDS + 5; i++) {
      const began = performance.now();
      outletFile(outlet, outletContents(outlet, viewer, given, NOW), {
        token: 't',
        baseUrl: 'https://p.example',
      });
      if (i >= 5) times.push(performance.now() - began);
    }
    report(`a feed of ${count} entries, from the plan to its bytes`, times, ceiling);
  }
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
feeds();

/** How many answers a second an address gives to 20 readers that ask again as soon as they are answered. */
async function rateOf(url: string, headers: Record<string, string> = {}): Promise<number> {
  const agent = new Agent({ keepAlive: true, maxSockets: 20 });
  const ask = () =>
    new Promise<void>((done, fail) => {
      get(url, { agent, headers }, (answer) => answer.resume().once('end', () => done())).once('error', fail);
    });
  const until = performance.now() + 3000;
  let answers = 0;
  const reader = async () => {
    for (; performance.now() < until; answers++) await ask();
  };
  await Promise.all(Array.from({ length: 20 }, reader));
  agent.destroy();
  return Math.round(answers / 3);
}

/** The feed of the demo's course, unchanged, beside a small route of Next's and a bare server in the same run. */
async function outlets(base: string): Promise<void> {
  const maren = await signedIn(base, 'maren@kittiwake.example');
  const list = (await (await maren.call('GET', '/api/outlets')).json()) as { name: string; url: string }[];
  const { url } = list.find(({ name }) => name === 'HL 210 Hull lofting')!;
  const first = await fetch(url);
  const body = Buffer.from(await first.arrayBuffer());
  const bare = createServer((_, response) =>
    response.writeHead(200, { 'content-type': 'text/calendar' }).end(body),
  );
  await new Promise<void>((ready) => bare.listen(0, '127.0.0.1', ready));
  const floor = await rateOf(`http://127.0.0.1:${(bare.address() as AddressInfo).port}/`);
  bare.close();
  const next = await rateOf(`${base}/api/health`);
  const [full, unchanged] = [
    await rateOf(url),
    await rateOf(url, { 'if-none-match': first.headers.get('etag')! }),
  ];
  const times = (rate: number, of: number) => (rate / of).toFixed(2);
  console.log(`an unchanged feed of ${body.length} bytes: 200 ${full}/s, 304 ${unchanged}/s; a small route of Next's ${next}/s; bare node:http ${floor}/s`); // prettier-ignore
  console.log(`  against Next's: ${times(full, next)} and ${times(unchanged, next)} (meant: 5); against bare: ${times(full, floor)} (meant: 0.4)`); // prettier-ignore
}

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

  await outlets(pembit.pembitUrl);
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
  report('dropping an entry until it has left its day', drops, 100);
} finally {
  await person.quit();
  await pembit.stop();
}
const { times, students, items } = await loadTimes(ROUNDS);
report(`the load of a course of ${students} among 6000 students, ${items} of 8000 due items`, times, 150);
const other = await startPembit();
try {
  const paint = await largestPaint(other.pembitUrl, 5);
  report('the largest paint of /next, the processor slowed four times', paint, 1000);
  const { requests, p99, held } = await runStorm(other);
  console.log(`200 students at 20 seats: ${requests} requests, ${held.length} seats held, 99 % within ${p99} ms (meant to stay under 3000)`); // prettier-ignore
} finally {
  await other.stop();
}
