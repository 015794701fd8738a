import { Temporal } from 'temporal-polyfill';
import type { Guardian } from '@/core/guardians/guardian';
import type { EntryId } from '@/core/ids';
import { entryId } from '@/core/ids';
import { guardianTexts as say } from '@/core/texts/guardians';
import { writeCalendar } from '@/core/icalendar/writeCalendar';
import { requireZone } from '@/core/time/zoneData';
import { guardianByHash, noteGuardianRead } from '@/data/guardians/guardians';
import { contactsOf } from '@/data/people/staff';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { OutletAnswer, OutletRequest } from '../outlets/conditional';
import { askedBy, embedContext, NO_COURSE_PAGE } from '../outlets/embed/embedContext';
import { embedDocument, embedPolicy } from '../outlets/embed/embedDocument';
import { dayPage, entryPage, readPage } from '../outlets/embed/embedPages';
import type { Html } from '../outlets/embed/html';
import { html } from '../outlets/embed/html';
import { goneAnswer, sent, tooManyMisses } from '../outlets/goneAnswer';
import { feedHeaders } from '../outlets/headers';
import { outletFile } from '../outlets/outletFile';
import { tokenHash } from '../outlets/token';
import type { Pembit } from '../pembit';
import { takeTries } from '../session/tries';
import { readByGuardian } from './readByGuardian';
import { stateOf } from './issue';

export const GUARDIAN_PAGES = '/g';
const PAGE = /^\/g((?:\/[\w-]{43}){1,6})(?:\/(?:e\/([0-9a-f-]{36})|day\/(\d{4}-\d{2}-\d{2})))?$/;

/** What nobody keeps, finds or frames: who reads it is a child's parent. */
const PRIVATE = {
  'cache-control': 'no-store',
  'x-robots-tag': 'noindex',
  'referrer-policy': 'no-referrer',
  'x-content-type-options': 'nosniff',
};
const PAGE_HEADERS = {
  ...PRIVATE,
  'content-type': 'text/html; charset=utf-8',
  'content-security-policy': embedPolicy().replace(/frame-ancestors .*/, "frame-ancestors 'none'"),
};

export const isGuardianPath = (path: string): boolean => path.startsWith(`${GUARDIAN_PAGES}/`);

/** Which day or entry is asked for; undefined where that cannot be read. */
function lookedAt(entry: string | undefined, day: string | undefined): { entry?: EntryId; date?: Temporal.PlainDate } | undefined {
  try {
    if (entry) return entryId.safeParse(entry).success ? { entry: entry as EntryId } : undefined;
    return day ? { date: Temporal.PlainDate.from(day, { overflow: 'reject' }) } : {};
  } catch {
    return undefined;
  }
} // prettier-ignore

const sentence = (title: string, words: string): Html => html`<h1>${title}</h1><p>${words}</p>`;

/** One child's part of the page, or the sentence that stands in its place. */
async function partOf(
  pembit: Pembit,
  guardian: Guardian,
  { token, more, look }: Readonly<{ token: string; more: string; look: Readonly<{ entry?: EntryId; date?: Temporal.PlainDate }> }>,
): Promise<Readonly<{ status: number; title: string; html: Html }>> {
  const state = await stateOf(pembit, guardian);
  if (state === 'ended') return { status: 410, title: say.goneTitle, html: sentence(say.goneTitle, say.gone) };
  const found = state === 'suspended' ? undefined : await readByGuardian(pembit, guardian);
  if (!found) return { status: 403, title: say.suspendedTitle, html: sentence(say.suspendedTitle, say.rests) };
  const { contents, childName } = found;
  if (state === 'asleep') return { status: 200, title: childName, html: sentence(childName, say.asleep) };
  const context = embedContext({ name: childName, look: { ...found.outlet.look, locale: guardian.locale } }, contents, {
    asked: askedBy(new URLSearchParams(), false),
    embed: `${GUARDIAN_PAGES}/${token}`,
    signUp: `${pembit.config.baseUrl}/sign-up`,
    // What is uploaded is for people of the course.
    opened: (url) => (url.startsWith('/') ? undefined : url),
    about: NO_COURSE_PAGE,
    sections: [],
    now: pembit.now(),
  });
  if (look.entry) {
    const page = entryPage(context, look.entry);
    return page ? { status: 200, title: childName, html: page } : { status: 404, title: childName, html: sentence(childName, say.nothing) };
  }
  if (look.date) return { status: 200, title: childName, html: dayPage(context, look.date) };
  const contacts = await contactsOf(pembit, contents.plan.courses.map(({ id }) => id), { forGuardians: true });
  const { name: school } = await schoolSettings(pembit);
  const above = html`<p><a class="back" href="${more}">${say.more}</a></p>`;
  const foot = html`${contacts.length === 0 ? undefined : html`<h2>${say.contacts}</h2><ul>${contacts.map(({ name, contact }) => html`<li>${name}: ${contact}</li>`)}</ul>`}
    <p class="soft foot">${say.foot} ${say.office({ name: school })}</p>`;
  return { status: 200, title: childName, html: html`${readPage(context, above)} ${foot}` };
} // prettier-ignore

/** Answers under /g/: the page of one child, or of several whose addresses stand behind one another. */
export async function answerGuardian(pembit: Pembit, request: OutletRequest): Promise<OutletAnswer> {
  if (request.method !== 'GET' && request.method !== 'HEAD') return { status: 405, headers: { allow: 'GET, HEAD', ...PAGE_HEADERS } };
  const [, all = '', entry, day] = PAGE.exec(request.path) ?? [];
  const tokens = all.split('/').filter(Boolean);
  const found = await Promise.all(tokens.map((token) => guardianByHash(pembit, tokenHash(token))));
  const guardians = found.flatMap((guardian, i) => (guardian ? [{ guardian, token: tokens[i]! }] : []));
  const look = lookedAt(entry, day);
  if (guardians.length === 0 || guardians.length < tokens.length || !look || (tokens.length > 1 && (entry ?? day))) {
    // Right addresses are never held up by wrong ones: only these are counted.
    if ((await takeTries(pembit, [['token', request.from ?? '']])) > 0) return tooManyMisses(request);
    return sent(404, PAGE_HEADERS, request.method, embedDocument({ title: say.goneTitle }, sentence(say.goneTitle, say.gone)));
  }
  const more = `/guardian${all}`;
  const parts = await Promise.all(guardians.map(({ guardian, token }) => partOf(pembit, guardian, { token, more, look })));
  const nowMs = pembit.now().epochMilliseconds;
  if (request.method === 'GET')
    await pembit.queue.write(
      async (writer) => {
        for (const { guardian } of guardians) if (!guardian.ended) await noteGuardianRead(writer, guardian.id, 'page', nowMs);
      },
      { aside: true, locks: [] },
    );
  // Of several, what is there is read; one alone says how it stands.
  const status = parts.length === 1 ? parts[0]!.status : 200;
  const title = parts.map((part) => part.title).join(', ');
  const { locale } = await schoolSettings(pembit);
  return sent(status, PAGE_HEADERS, request.method, embedDocument({ title, locale: guardians[0]!.guardian.locale || locale }, html`${parts.map((part) => part.html)}`));
} // prettier-ignore

/** A guardian's feed, where a token is one; undefined for any other. What has ended answers 410, what rests is empty. */
export async function answerGuardianFeed(pembit: Pembit, request: OutletRequest, token: string): Promise<OutletAnswer | undefined> {
  const guardian = await guardianByHash(pembit, tokenHash(token));
  if (!guardian) return undefined;
  const nowMs = pembit.now().epochMilliseconds;
  const state = await stateOf(pembit, guardian);
  if (state === 'ended') return { ...goneAnswer(request, undefined, { kind: 'feed', name: say.title, replaced: false, goneAtMs: nowMs }, nowMs), status: 410 };
  const found = state === 'open' ? await readByGuardian(pembit, guardian) : undefined;
  const { baseUrl } = pembit.config;
  const text = found
    ? outletFile(found.outlet, found.contents, { token, baseUrl, pages: GUARDIAN_PAGES })
    : writeCalendar({ name: say.title, events: [] }, requireZone);
  if (request.method === 'GET') await pembit.queue.write((writer) => noteGuardianRead(writer, guardian.id, 'feed', nowMs), { aside: true, locks: [] });
  return sent(200, { ...feedHeaders({ name: 'calendar', audience: 'personal' }), ...PRIVATE }, request.method, text);
} // prettier-ignore
