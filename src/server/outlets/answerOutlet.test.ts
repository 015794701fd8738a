import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { complaintsAbout } from '../../../tests/support/strictIcs';
import { NO_PERSON_SETTINGS } from '@/core/frame/personSettings';
import type { SectionId } from '@/core/ids';
import { newMaterialInput } from '@/core/materials/materialInput';
import { entryInput } from '@/core/entries/entryInput';
import { outletInput } from '@/core/outlets/outletInput';
import { planEntry } from '../entries/planEntry';
import type { Pembit } from '../pembit';
import type { OutletAnswer } from './conditional';
import { createOutletAnswerer } from './answerOutlet';
import { select } from '@/data/database';
import { addMaterial } from '../materials/editMaterials';
import { changeOwnSettings } from '../students/settings';
import { ofSections } from './coursePage';
import { mailAddress } from './mailAddress';
import { usesOf } from '@/data/outlets/reads';
import { deleteEntry } from '../entries/deleteEntry';
import { undoChange } from '../history/undoChange';
import { writeReads } from './countReads';
import {
  changeOutlet,
  changePersonalFeed,
  deleteOutlet,
  outletsFor,
  publish,
  replaceAddress,
} from './publish';

let school: School;
let shiftMs = 0;
let ask: (path: string, headers?: Record<string, string>, method?: string) => Promise<OutletAnswer>;
let feed = '';
let embed = '';
beforeAll(async () => {
  school = await newSchool();
  const { now } = school.pembit;
  const moved: Pembit = { ...school.pembit, now: () => now().add({ milliseconds: shiftMs }) };
  const answer = createOutletAnswerer(moved);
  ask = (address, headers = {}, method = 'GET') => {
    const [path = '', query = ''] = address.split('?');
    return answer({ method, path, query, headers });
  };
  const make = async (kind: 'feed' | 'embed') => {
    const outcome = await publish(
      school.pembit,
      school.instructor,
      outletInput.parse({ kind, audience: 'public', name: 'Hull lofting', courses: [school.course] }),
    );
    if (!outcome.ok) throw new Error(outcome.reason);
    return new URL(outcome.value.url).pathname;
  };
  feed = await make('feed');
  embed = await make('embed');
});
afterAll(() => school.close());

const plan = async (title: string, changes: object = {}) => {
  const input = entryInput.parse({
    kind: 'event',
    title,
    start: '2026-10-20T10:00',
    audience: [{ course: school.course }],
    ...changes,
  });
  const outcome = await planEntry(school.pembit, school.instructor, input);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.value;
};

describe('a feed over HTTP', () => {
  test('comes in three codings, each with an ETag of its own and the same octets inside', async () => {
    await plan('Fairing');
    const [plain, zipped, brotli] = await Promise.all([
      ask(feed),
      ask(feed, { 'accept-encoding': 'gzip' }),
      ask(feed, { 'accept-encoding': 'gzip, br' }),
    ]);
    expect(plain.status).toBe(200);
    expect(complaintsAbout(plain.body!)).toEqual([]);
    expect(gunzipSync(zipped.body!).equals(plain.body!)).toBe(true);
    expect(brotliDecompressSync(brotli.body!).equals(plain.body!)).toBe(true);
    expect(new Set([plain, zipped, brotli].map((a) => a.headers.etag)).size).toBe(3);
    expect(zipped.headers).toMatchObject({
      'content-encoding': 'gzip',
      vary: 'Accept-Encoding',
      'content-type': 'text/calendar; charset=utf-8',
      'access-control-allow-origin': '*',
    });
    const coded = async (accepted: string) =>
      (await ask(feed, { 'accept-encoding': accepted })).headers['content-encoding'];
    expect(await coded('br;q=0, gzip')).toBe('gzip');
    expect(await coded('br;q=0.3, gzip;q=0.8')).toBe('gzip');
    expect(await coded('gzip;q=0.5, identity')).toBeUndefined();
    expect(await coded('*')).toBe('br');
    expect(Object.keys(plain.headers)).not.toContain('set-cookie');
  });

  test('answers 304 to whoever has it, HEAD without a body, and nothing but reading', async () => {
    const { headers } = await ask(feed);
    expect(await ask(feed, { 'if-none-match': headers.etag! })).toMatchObject({ status: 304 });
    expect((await ask(feed, { 'if-none-match': `W/${headers.etag}` })).status).toBe(304);
    expect((await ask(feed, { 'if-none-match': '"other"' })).status).toBe(200);
    expect((await ask(feed, { 'if-modified-since': headers['last-modified']! })).status).toBe(304);
    // HTTP dates alone (RFC 9110 section 5.6.7): another form is no condition.
    const since = async (text: string) => (await ask(feed, { 'if-modified-since': text })).status;
    expect(await since('Fri, 01 Jan 2100 00:00:00 GMT')).toBe(304);
    expect(await since('2100-01-01T00:00:00Z')).toBe(200);
    expect(await since('4102444800000')).toBe(200);
    // If-None-Match decides alone where both are sent (RFC 9110 section 13.2.2).
    expect(
      (await ask(feed, { 'if-none-match': '"other"', 'if-modified-since': headers['last-modified']! }))
        .status,
    ).toBe(200);
    const head = await ask(feed, {}, 'HEAD');
    expect(head.status).toBe(200);
    expect(head.body).toBeUndefined();
    expect(Number(head.headers['content-length'])).toBeGreaterThan(100);
    expect((await ask(feed, {}, 'POST')).status).toBe(405);
    expect((await ask(feed, {}, 'OPTIONS')).status).toBe(204);
  });

  test('is new after a write, and the same bytes again after its like', async () => {
    const before = await ask(feed);
    await plan('Moulds');
    const after = await ask(feed, { 'if-none-match': before.headers.etag! });
    expect(after.status).toBe(200);
    expect(after.body!.toString()).toContain('Moulds');
    await plan('Kept back', { visibility: { kind: 'draft' } });
    // A draft is a write, but nothing that the feed holds has changed.
    expect((await ask(feed, { 'if-none-match': after.headers.etag! })).status).toBe(304);
  });

  test('shows what begins to be shown though nothing is written, without a stale 304', async () => {
    await plan('Launch day', { visibility: { kind: 'from', from: '2026-10-13T10:00' } });
    const before = await ask(feed);
    expect(before.body!.toString()).not.toContain('Launch day');
    shiftMs = 2 * 3_600_000;
    const after = await ask(feed, {
      'if-none-match': before.headers.etag!,
      'if-modified-since': before.headers['last-modified']!,
    });
    expect(after.status).toBe(200);
    expect(after.body!.toString()).toContain('Launch day');
    expect(Date.parse(after.headers['last-modified']!)).toBeGreaterThan(
      Date.parse(before.headers['last-modified']!),
    );
    shiftMs = 0;
  });
});

describe('an embed', () => {
  test('is a page without script that anyone may frame, in which every text is escaped', async () => {
    await plan('<script>alert(1)</script> & "quotes"', {
      links: [{ url: 'https://x.example/?a=1&b="2"', label: '<b>bold</b>' }],
    });
    const { status, headers, body } = await ask(embed);
    expect(status).toBe(200);
    expect(headers['content-security-policy']).toContain("default-src 'none'");
    expect(headers['content-security-policy']).toContain('frame-ancestors *');
    const page = body!.toString();
    // A block of data is no script: it has a type that no browser runs.
    const [, data = ''] = /<script type="application\/ld\+json">(.*?)<\/script>/.exec(page) ?? [];
    expect(page.replace(data, '').match(/<script/g)).toHaveLength(1);
    const { '@graph': graph } = JSON.parse(data) as { '@graph': { name: string }[] };
    expect(graph.map(({ name }) => name)).toContain('<script>alert(1)</script> & "quotes"');
    expect(page).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;quotes&quot;');
    expect(page).toContain('&lt;b&gt;bold&lt;/b&gt;');
  });

  test('has a page for each entry and day it shows, and none for others', async () => {
    const shown = await plan('Rope walk');
    const draft = await plan('Secret', { visibility: { kind: 'draft' } });
    expect((await ask(`${embed}/e/${shown.id}`)).body!.toString()).toContain('Rope walk');
    expect((await ask(`${embed}/e/${draft.id}`)).status).toBe(404);
    expect((await ask(`${embed}/day/2026-10-20`)).body!.toString()).toContain('Rope walk');
    expect((await ask(`${embed}/day/2026-10-25`)).body!.toString()).toContain(
      'Nothing is planned on this day.',
    );
  });

  test('of a public feed is what its links lead to; a personal feed has none', async () => {
    const file = (await ask(feed)).body!.toString().replaceAll('\r\n ', '');
    const [, link = ''] =
      /URL:http:\/\/localhost:4310(\/embed\/[\w-]{43}\/e\/[0-9a-f-]{36})/.exec(file) ?? [];
    expect((await ask(link)).status).toBe(200);
    const personal = (await outletsFor(school.pembit, school.students[0]!)).find(
      (outlet) => outlet.audience === 'personal',
    )!;
    const path = new URL(personal.url).pathname;
    expect((await ask(path)).headers['cache-control']).toBe('private, no-cache');
    expect((await ask(path.replace('/feeds/', '/embed/').replace('.ics', ''))).status).toBe(404);
  });
});

test('a personal feed is made once, whoever asks how often', async () => {
  const lists = await Promise.all(
    Array.from({ length: 5 }, () => outletsFor(school.pembit, school.students[1]!)),
  );
  expect(new Set(lists.flat().map((outlet) => outlet.url)).size).toBe(1);
});

/** Publishes and answers the path of its address, and its id. */
async function made(changes: object = {}) {
  const input = outletInput.parse({ kind: 'feed', audience: 'public', name: 'Lofting', courses: [school.course], ...changes }); // prettier-ignore
  const { url, id } = valueOf(await publish(school.pembit, school.instructor, input));
  return { path: new URL(url).pathname, id, input };
}
const bodyOf = async (path: string) => (await ask(path)).body!.toString().replaceAll('\r\n ', '');
const day = 86_400_000;

describe('an address', () => {
  test('that was replaced says so for 30 days in one entry, and is gone then; undo brings it back', async () => {
    const { path, id } = await made();
    const outcome = await replaceAddress(school.pembit, school.instructor, id);
    const now = new URL(valueOf(outcome).url).pathname;
    expect((await bodyOf(now)).match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(1);
    const old = await ask(path);
    expect(old.status).toBe(200);
    expect(complaintsAbout(old.body!)).toEqual([]);
    expect(old.body!.toString().match(/SUMMARY:.*/g)).toEqual(['SUMMARY:This address was replaced']);
    expect((await ask(path.replace('/feeds/', '/embed/').replace('.ics', ''))).body!.toString()).toContain('This address was replaced'); // prettier-ignore
    shiftMs = 30 * day + 60_000;
    expect((await ask(path)).status).toBe(410);
    shiftMs = 0;
    valueOf(await undoChange(school.pembit, school.instructor, historyOf(outcome)));
    expect((await bodyOf(path)).match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(1);
  });

  test('of an outlet that was deleted answers with a sentence, 410; one that never was, 404', async () => {
    const { path, id } = await made({ kind: 'embed' });
    const outcome = await deleteOutlet(school.pembit, school.instructor, id);
    expect(await ask(path)).toMatchObject({ status: 410 });
    expect((await ask(path)).body!.toString()).toContain('is not published any more');
    expect((await ask(`/embed/${'x'.repeat(43)}`)).status).toBe(404);
    valueOf(await undoChange(school.pembit, school.instructor, historyOf(outcome)));
    expect((await ask(path)).status).toBe(200);
  });

  test('goes on with another course, and nobody else changes it', async () => {
    const { path, id, input } = await made();
    for (const actor of [school.stranger, school.students[0]!]) {
      expect(await changeOutlet(school.pembit, actor, id, input)).toMatchObject({ reason: 'notFound' });
      expect(await replaceAddress(school.pembit, actor, id)).toMatchObject({ reason: 'notFound' });
      expect(await deleteOutlet(school.pembit, actor, id)).toMatchObject({ reason: 'notFound' });
    }
    valueOf(await changeOutlet(school.pembit, school.instructor, id, { ...input, name: 'Next term' }));
    expect(await bodyOf(path)).toContain('NAME:Next term');
    expect(await changeOutlet(school.pembit, school.instructor, id, { ...input, courses: [school.other] })).toMatchObject({ reason: 'notYours' }); // prettier-ignore
  });

  test('is counted each time it is read, 304 included, not when it is only asked about', async () => {
    const { path, id } = await made();
    const { headers } = await ask(path);
    await ask(path, { 'if-none-match': headers.etag! });
    await ask(path, {}, 'HEAD');
    await writeReads(school.pembit);
    const use = (await usesOf(school.pembit, [id], '2026-10-01')).get(id)!;
    expect(use.days).toEqual([{ day: '2026-10-13', reads: 2 }]);
  });
});

test('an address goes by letter to the mailbox of whoever may change it, and nowhere else', async () => {
  const { pembit, instructor, stranger } = school;
  const { id, path } = await made();
  expect(await mailAddress(pembit, stranger, id)).toMatchObject({ reason: 'notFound' });
  expect(valueOf(await mailAddress(pembit, instructor, id))).toEqual({ to: instructor.person.email });
  const letters = await select<{ recipient: string; body: string }>(pembit, 'SELECT recipient, body FROM outbox ORDER BY created_at DESC LIMIT 1');
  expect(letters).toMatchObject([{ recipient: instructor.person.email, body: expect.stringContaining(path) as string }]);
}); // prettier-ignore

describe('a reader chooses sections', () => {
  const [a, b, c] = ['a', 'b', 'c'] as SectionId[];
  const viewer = { kind: 'public', courses: new Set<never>(), sections: new Set([a!, b!]), calendars: new Set<never>(), meetingLinks: false } as const;
  test.each([
    [[b!], [b]],
    [[], [a, b]],
    [[c!], [a, b]],
    [[b!, c!], [b]],
  ])('of those that the outlet holds, asked for %s', (asked, seen) => {
    const reader = ofSections(viewer, new Set(asked));
    expect(reader.kind !== 'person' && [...reader.sections]).toEqual(seen);
  });
}); // prettier-ignore

describe('what an outlet is composed of', () => {
  test('titles and times alone, without tags, with reminders, from today on', async () => {
    await plan('Full of facts', { description: '<p>Bring <strong>battens</strong></p>', place: 'Loft 2', links: [{ url: 'https://x.example/handout' }] }); // prettier-ignore
    await plan('Last month', { start: '2026-09-15T10:00' });
    const full = await bodyOf((await made({ reminders: [{ kind: 'event', minutes: 60 }] })).path);
    expect(full).toContain('SUMMARY:HL: Full of facts');
    expect(full).toContain(
      'STYLED-DESCRIPTION;VALUE=TEXT;FMTTYPE=text/html:<p>Bring <strong>battens</strong></p>',
    );
    expect(full).toMatch(
      /BEGIN:VALARM\r\nACTION:DISPLAY\r\nDESCRIPTION:[^\r]+\r\nTRIGGER:-PT60M\r\nEND:VALARM/,
    );
    expect(full).toContain('Last month');
    expect(full).toMatch(/^COLOR:[a-z]+\r$/m);
    const bare = await made({ detail: 'titles', tags: false, daysBack: 0 });
    const file = await bodyOf(bare.path);
    expect(complaintsAbout((await ask(bare.path)).body!)).toEqual([]);
    expect(file).toContain('SUMMARY:Full of facts');
    expect(file).not.toMatch(/battens|Loft 2|handout|VALARM|Last month/);
  });

  test('links into meetings only where that is ticked', async () => {
    await plan('Video day', { meetingLink: 'https://meet.example/9' });
    expect(await bodyOf((await made()).path)).not.toContain('meet.example');
    expect(await bodyOf((await made({ meetingLinks: true })).path)).toContain('CONFERENCE;VALUE=URI;FEATURE=VIDEO:https://meet.example/9'); // prettier-ignore
  });

  test('what is deleted leaves a bare tombstone, and undo takes that away', async () => {
    const entry = await plan('Comes and goes');
    const { path } = await made();
    expect(await bodyOf(path)).toContain('Comes and goes');
    const outcome = await deleteEntry(school.pembit, school.instructor, entry.id);
    const file = await bodyOf(path);
    expect(file).not.toContain('Comes and goes');
    const [tombstone = ''] = file.split('BEGIN:VEVENT').filter((part) => part.includes(entry.uid));
    expect(tombstone.trim().split('\r\n').map((line) => line.split(/[:;]/)[0])).toEqual(['UID', 'DTSTAMP', 'DTSTART', 'SEQUENCE', 'STATUS', 'END', ...(tombstone.includes('VCALENDAR') ? ['END'] : [])]); // prettier-ignore
    valueOf(await undoChange(school.pembit, school.instructor, historyOf(outcome)));
    expect(await bodyOf(path)).toContain('Comes and goes');
  });

  test('one’s own feed holds what its owner chooses', async () => {
    const [actor] = school.students;
    const own = new URL((await outletsFor(school.pembit, actor!))[0]!.url).pathname;
    await plan('Everybody’s event');
    expect(await bodyOf(own)).toContain('Everybody’s event');
    const choice = { kinds: ['due' as const], tags: true, detail: 'full' as const, reminders: [] };
    valueOf(await changePersonalFeed(school.pembit, actor!, choice));
    expect(await bodyOf(own)).not.toContain('Everybody’s event');
  });
});

describe('the views of an embed', () => {
  test.each([
    ['days', '', 'Tenth of November'],
    ['week', '?at=2026-11-10', 'The week after'],
    ['month', '?at=2026-11-01', 'November 2026'],
    ['term', '', 'Week 10,'],
    ['day', '?at=2026-11-10', '10 November 2026'],
    ['times', '', 'No times are offered for now.'],
    ['entry', '', 'not to be seen'],
  ])('%s', async (view, query, expected) => {
    await plan('Tenth of November', { start: '2026-11-10T10:00' });
    const look = { view, ...(view === 'entry' ? { entry: '00000000-0000-4000-8000-000000000000' } : {}) };
    const { path } = await made({ kind: 'embed', look });
    const page = (await ask(path + query)).body!.toString();
    expect(page).toContain(expected);
    expect(page).not.toMatch(/<script(?! type="application\/ld\+json">)/);
  });

  test('a course’s page says whom to write to, who wants that, its office hours, its outline, and by which clock', async () => {
    const { pembit, instructor, course } = school;
    const add = (input: object) => addMaterial(pembit, instructor, course, newMaterialInput.parse(input));
    const unit = valueOf(await add({ kind: 'unit', title: 'Week of bevels' })).id;
    valueOf(await add({ kind: 'webLink', title: 'The bevel board', url: 'https://x.example/board', parent: unit }));
    valueOf(await add({ kind: 'page', title: 'Kept inside', text: '<p>x</p>', parent: unit }));
    await plan('Tomorrow’s visit', { start: '2026-10-14T10:00' });
    const { path } = await made({ kind: 'embed', look: { view: 'course' } });
    const page = async () => String((await ask(path)).body).replace(/\s+/g, ' ');
    const silent = await page();
    expect(silent).not.toContain('Whom to write to');
    valueOf(await changeOwnSettings(pembit, instructor, { ...NO_PERSON_SETTINGS, contact: 'maren@kittiwake.example' }));
    const said = await page();
    expect(said).toContain('<b>Person 0</b> maren@kittiwake.example');
    expect(said).toContain('Tomorrow’s visit');
    expect(said).toContain('Times are Halifax time (America/Halifax).');
    expect(said).toMatch(/Week of bevels <ul class="plain"> <li><a href="https:\/\/x.example\/board"[^>]*>The bevel board<\/a>/);
    expect(said).toMatch(/Kept inside <span class="soft">\(for people of the course/);
  }); // prettier-ignore

  test('what goes over several days is one line across them in the month, and is not said on each day', async () => {
    await plan('Tidal survey', { start: '2026-11-05', end: '2026-11-10' });
    const { path } = await made({ kind: 'embed', look: { view: 'month' } });
    const page = String((await ask(`${path}?at=2026-11-01`)).body);
    expect(page.match(/>Tidal survey</g)).toHaveLength(2);
    expect(page).toMatch(/<div class="bar lane-0 reach-4 [a-z]+ begins">/);
    expect(page).toMatch(/<div class="bar lane-0 reach-1 [a-z]+ ends">/);
    expect(page.match(/during Tidal survey/g)).toHaveLength(3);
  });

  test('a reader chooses courses and kinds by a form, where the instructor lets them', async () => {
    await plan('An event', { start: '2026-11-11T10:00' });
    const free = await made({ kind: 'embed' });
    expect((await ask(`${free.path}?kind=due`)).body!.toString()).not.toContain('An event');
    expect((await ask(`${free.path}?kind=event`)).body!.toString()).toContain('An event');
    expect((await ask(free.path)).body!.toString()).toContain('Choose what is shown');
    const fixed = await made({ kind: 'embed', look: { filters: false } });
    expect((await ask(`${fixed.path}?kind=due`)).body!.toString()).toContain('An event');
    expect((await ask(fixed.path)).body!.toString()).not.toContain('Choose what is shown');
  });

  test('is framed by anyone, or by the sites that are listed; its look is a class', async () => {
    const look = { scheme: 'dark', color: 'plum', rows: 'close', origins: ['https://site.example/page'], title: 'Our weeks' }; // prettier-ignore
    const { path } = await made({ kind: 'embed', look });
    const { headers, body } = await ask(path);
    expect(headers['content-security-policy']).toContain("frame-ancestors 'self' https://site.example");
    expect(body!.toString()).toContain('class="scheme-dark accent-plum rows-close"');
    expect(body!.toString()).toContain('<h1>Our weeks</h1>');
  });

  test('is found by oEmbed 1.0', async () => {
    const { path } = await made({ kind: 'embed', look: { height: 500 } });
    const address = /<link rel="alternate" type="application\/json\+oembed" href="([^"]+)"/.exec((await ask(path)).body!.toString())![1]!; // prettier-ignore
    const { pathname, search } = new URL(address.replaceAll('&amp;', '&'));
    const answer = await ask(`${pathname}${search}&maxheight=300`);
    expect(JSON.parse(answer.body!.toString())).toMatchObject({ version: '1.0', type: 'rich', height: 300, html: expect.stringContaining(`<iframe src="http://localhost:4310${path}"`) as unknown }); // prettier-ignore
    expect((await ask(`/embed/oembed.json?url=${encodeURIComponent('http://localhost:4310/embed/none')}`)).status).toBe(404); // prettier-ignore
    expect((await ask('/embed/oembed.json?format=xml')).status).toBe(501);
    for (const size of ['maxwidth=0', 'maxheight=-1', 'maxwidth=x', 'maxheight=1.5'])
      expect((await ask(`${new URL(address).pathname}${new URL(address).search}&${size}`)).status).toBe(400);
  });
});
