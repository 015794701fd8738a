import { randomUUID } from 'node:crypto';
import type { Temporal } from 'temporal-polyfill';
import type { CalendarId, CourseId, TermId } from '@/core/ids';
import { isStaffOf } from '@/core/entries/viewer';
import { closureHits } from '@/core/frame/closureHits';
import type { ReadCalendar } from '@/core/icalendar/readCalendar';
import type { CalendarFacts, CalendarInput, CalendarLook } from '@/core/outside/calendarInput';
import type { OutsideCalendar, OutsideTime } from '@/core/outside/outsideCalendar';
import type { CalendarPreview } from '@/core/outside/calendarPreview';
import { mayIn, mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import type { Term } from '@/core/time/term';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/reader';
import type { CalendarState } from '@/data/outside/calendars';
import {
  calendarById,
  calendarStates,
  calendarsOf,
  insertCalendar,
  insertCopy,
  removeCalendar,
  updateCalendar,
  wholeTermCalendars,
} from '@/data/outside/calendars';
import { courseIdsOf } from '@/data/plan/frameStore';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { allTerms, loadFrame, loadPlan } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { askedClosures, fitCalendarClosures } from './calendarClosures';
import { readUploaded } from './readUploaded';
import { timesIn } from './timesIn';
import type { Refreshed } from './refreshCalendar';
import { failureOf, fetchCalendar, nextRead, refresh } from './refreshCalendar';

type Target = Readonly<{ term: TermId; courses?: readonly CourseId[] }>;

/** Whether somebody may keep a calendar there: staff beside their courses, the administrator beside a whole term. */
async function mayKeep(reader: Reader, actor: SignedIn, { term, courses }: Target): Promise<Outcome<Term>> {
  const found = (await allTerms(reader)).find((t) => t.id === term);
  if (!found) return refused('notFound');
  if (!courses) return mayOffice(actor, 'addCalendar') ? done(found) : refused('notYours');
  if (!courses.every((course) => mayIn(actor, 'addCalendar', course))) return refused('notYours');
  const inTerm = new Set(await courseIdsOf(reader, term));
  return courses.every((course) => inTerm.has(course)) ? done(found) : refused('notFound');
}

const mayChange = ({ viewer, person }: SignedIn, calendar: OutsideCalendar): boolean =>
  calendar.wholeTerm
    ? person.isAdmin
    : calendar.courses.length > 0 && calendar.courses.every((course) => isStaffOf(viewer, course));

type Source = Readonly<{ calendar: ReadCalendar; etag?: string; lastModified?: string }>;

/** Reads what somebody names as a calendar: an address, through the guarded client, or a file they uploaded. */
async function readSource(
  pembit: Pembit,
  actor: SignedIn,
  { url, file }: Pick<CalendarLook, 'url' | 'file'>,
  tzid: string,
): Promise<Outcome<Source>> {
  if (file !== undefined) {
    const read = await readUploaded(pembit, actor, file, tzid);
    return read.ok ? done({ calendar: read.value }) : read;
  }
  const fetched = await fetchCalendar(pembit, { url: url ?? '' }, tzid);
  if (fetched.kind === 'read') return done(fetched);
  const failure = fetched.kind === 'failed' ? fetched.failure : 'unreachable';
  return refused('badRequest', [{ field: 'url', message: failureOf(failure) }]);
}

const skeleton = (input: CalendarLook, id: CalendarId, times: readonly OutsideTime[], now: Temporal.Instant): OutsideCalendar => ({
  id,
  term: input.term,
  name: '',
  url: input.url ?? '',
  ...(input.file ? { file: input.file } : {}),
  wholeTerm: input.courses === undefined,
  courses: input.courses ?? [],
  seenBy: 'everyone',
  active: true,
  closes: input.closes,
  times,
  changedAt: now,
}); // prettier-ignore

export async function previewCalendar(
  pembit: Pembit,
  actor: SignedIn,
  input: CalendarLook,
): Promise<Outcome<CalendarPreview>> {
  const term = await mayKeep(pembit, actor, input);
  if (!term.ok) return term;
  const source = await readSource(pembit, actor, input, term.value.tzid);
  if (!source.ok) return source;
  const { calendar } = source.value;
  const times = await timesIn(calendar, term.value);
  const now = pembit.now();
  const asked = askedClosures(skeleton(input, randomUUID() as CalendarId, times, now), term.value, now);
  const courses = input.courses ?? (await courseIdsOf(pembit, input.term));
  const plan = asked.length > 0 ? await loadPlan(pembit, courses) : undefined;
  const hits = new Map<string, { tag: string; meetings: number; due: number; taken: number }>();
  for (const closure of asked)
    for (const hit of plan ? closureHits(closure, plan, requireZone) : []) {
      const sum = hits.get(hit.course.id) ?? { tag: hit.course.tag, meetings: 0, due: 0, taken: 0 };
      sum.meetings += hit.meetings.length;
      sum.due += hit.due.length;
      sum.taken += hit.taken.length;
      hits.set(hit.course.id, sum);
    }
  const days = new Map(asked.map(({ name, start }) => [`${start} ${name}`, { name, start }]));
  return done({
    name: calendar.name,
    locale: (await schoolSettings(pembit)).locale,
    times,
    skipped: calendar.skipped,
    warnings: calendar.warnings,
    closures: [...days.values()],
    hits: [...hits.values()],
  });
}

/** Adds a calendar beside courses, or beside a whole term; its closures take classes away in the same act. */
export async function addCalendar(
  pembit: Pembit,
  actor: SignedIn,
  input: CalendarInput,
): Promise<Outcome<OutsideCalendar>> {
  const term = await mayKeep(pembit, actor, input);
  if (!term.ok) return term;
  const source = await readSource(pembit, actor, input, term.value.tzid);
  if (!source.ok) return source;
  const { calendar: read } = source.value;
  const times = await timesIn(read, term.value);
  const { name, seenBy, active } = input;
  const calendar = {
    ...skeleton(input, randomUUID() as CalendarId, times, pembit.now()),
    name,
    seenBy,
    active,
  };
  return perform(pembit, actor, 'addCalendar', async (change) => {
    await insertCopy(change, calendar.id, {
      times,
      troubles: read.skipped,
      readAtMs: change.nowMs,
      nextAtMs: input.url ? nextRead(change.nowMs, 0) : undefined,
    });
    await insertCalendar(change, calendar, actor.person.id);
    await fitCalendarClosures(change, calendar, calendar.id);
    change.summarise(historyTexts.addedCalendar({ name }));
    return done(calendar);
  });
}

async function changeable(
  reader: Reader,
  actor: SignedIn,
  id: CalendarId,
): Promise<Outcome<OutsideCalendar>> {
  const calendar = await calendarById(reader, id);
  return calendar && mayChange(actor, calendar) ? done(calendar) : refused('notFound');
}

/** Its name, who sees it, whether it is switched on, which of its days are closures. */
export function changeCalendar(
  pembit: Pembit,
  actor: SignedIn,
  id: CalendarId,
  facts: CalendarFacts,
): Promise<Outcome<OutsideCalendar>> {
  return perform(pembit, actor, 'changeCalendar', async (change) => {
    const found = await changeable(change, actor, id);
    if (!found.ok) return found;
    const calendar = { ...found.value, ...facts };
    await updateCalendar(change, calendar);
    await fitCalendarClosures(change, calendar, id);
    change.summarise(historyTexts.changedCalendar({ name: calendar.name }));
    return done(calendar);
  });
}

/** Takes a calendar away; the closures that it asked for go, and the classes on them come back. */
export function deleteCalendar(
  pembit: Pembit,
  actor: SignedIn,
  id: CalendarId,
): Promise<Outcome<OutsideCalendar>> {
  return perform(pembit, actor, 'removeCalendar', async (change) => {
    const found = await changeable(change, actor, id);
    if (!found.ok) return found;
    await fitCalendarClosures(change, { ...found.value, active: false }, id);
    await removeCalendar(change, found.value);
    change.summarise(historyTexts.removedCalendar({ name: found.value.name }));
    return found;
  });
}

/** Asks a calendar's source at once. */
export async function refreshNow(
  pembit: Pembit,
  actor: SignedIn,
  id: CalendarId,
): Promise<Outcome<Refreshed>> {
  const found = await changeable(pembit, actor, id);
  if (!found.ok) return found;
  const state = (await calendarStates(pembit, [id])).get(id);
  return state && state.url !== '' ? done(await refresh(pembit, state)) : refused('notFound');
}

export type KeptCalendar = Readonly<{ calendar: OutsideCalendar; state?: CalendarState; mine: boolean }>;

/** The calendars beside what somebody teaches, and, for the administrator, those of whole terms. */
export async function calendarsFor(pembit: Pembit, actor: SignedIn): Promise<KeptCalendar[]> {
  const courses = [...actor.viewer.staffOf];
  const { terms } = await loadFrame(pembit, courses);
  const beside = await calendarsOf(pembit, { terms: terms.map((term) => term.id), courses });
  const all = actor.person.isAdmin ? [...beside, ...(await wholeTermCalendars(pembit))] : beside;
  const calendars = [...new Map(all.map((calendar) => [calendar.id, calendar])).values()];
  const states = await calendarStates(pembit, calendars.map((calendar) => calendar.id)); // prettier-ignore
  return calendars.map((calendar) => ({
    calendar,
    state: states.get(calendar.id),
    mine: mayChange(actor, calendar),
  }));
}
