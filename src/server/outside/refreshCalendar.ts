import type { ReadCalendar } from '@/core/icalendar/readCalendar';
import type { FileId } from '@/core/ids';
import { LARGEST_CALENDAR } from '@/core/materials/fileTypes';
import { calendarNews } from '@/core/outside/calendarNews';
import type { CalendarNews } from '@/core/outside/calendarNews';
import { historyTexts } from '@/core/texts/history';
import { outsideTexts } from '@/core/texts/outside';
import { recordChange } from '@/data/history/change';
import type { CalendarState } from '@/data/outside/calendars';
import { calendarById, calendarsDue, markFailed, markUnchanged, saveCopy } from '@/data/outside/calendars'; // prettier-ignore
import { allTerms } from '@/data/plan/loadPlan';
import { filesById } from '@/data/materials/files';
import { storedPath } from '../materials/fileStore';
import type { Pembit } from '../pembit';
import { fitCalendarClosures } from './calendarClosures';
import type { OutsideFailure } from './guardedGet';
import { guardedGet } from './guardedGet';
import { readInWorker } from './readInWorker';
import { timesIn } from './timesIn';

export type CalendarFailure = OutsideFailure | 'noCalendar' | 'tooSlow' | `status ${number}`;

/** Why a calendar could not be read, in a sentence. */
export function failureOf(failure: string): string {
  const status = /^status (\d+)$/.exec(failure)?.[1];
  if (status) return outsideTexts.status({ status: Number(status) });
  const known: Readonly<Record<string, string>> = outsideTexts.failures;
  return known[failure] ?? failure;
}

export type Fetched =
  | Readonly<{ kind: 'read'; calendar: ReadCalendar; etag?: string; lastModified?: string }>
  | Readonly<{ kind: 'unchanged'; etag?: string; lastModified?: string }>
  | Readonly<{ kind: 'failed'; failure: CalendarFailure }>;

/** Asks the source of a calendar, with the conditions that its last answer gave. */
export async function fetchCalendar(
  pembit: Pembit,
  { url, etag, lastModified }: Pick<CalendarState, 'url' | 'etag' | 'lastModified'>,
  tzid: string,
): Promise<Fetched> {
  const answer = await guardedGet(pembit.config, url, {
    largest: LARGEST_CALENDAR,
    beyond: 'refuse',
    headers: {
      accept: 'text/calendar, */*;q=0.5',
      ...(etag ? { 'if-none-match': etag } : {}),
      ...(lastModified ? { 'if-modified-since': lastModified } : {}),
    },
  });
  if (!answer.ok) return { kind: 'failed', failure: answer.reason };
  const validators = { etag: answer.headers.etag, lastModified: answer.headers['last-modified'] };
  if (answer.status === 304) return { kind: 'unchanged', ...validators };
  if (answer.status !== 200) return { kind: 'failed', failure: `status ${answer.status}` };
  const calendar = await readInWorker({ octets: answer.body, tzid });
  if (!calendar) return { kind: 'failed', failure: 'tooSlow' };
  return calendar.ok ? { kind: 'read', calendar, ...validators } : { kind: 'failed', failure: 'noCalendar' };
}

/** An uploaded file as the term has it now. */
async function readAgain(pembit: Pembit, file: FileId, tzid: string): Promise<Fetched> {
  const [stored] = await filesById(pembit, [file]);
  const path = stored && storedPath(pembit.config, stored.hash);
  const calendar = path === undefined ? undefined : await readInWorker({ path, tzid });
  return calendar?.ok ? { kind: 'read', calendar } : { kind: 'failed', failure: 'noCalendar' };
}

const MINUTE = 60_000;
const USUAL_MS = 60 * MINUTE;
const FIRST_RETRY_MS = 5 * MINUTE;
const LONGEST_RETRY_MS = 12 * 60 * MINUTE;

/** When a source is asked again: each hour; after failures in a row later and later, up to half a day. */
export const nextRead = (nowMs: number, failures: number): number =>
  nowMs + (failures === 0 ? USUAL_MS : Math.min(FIRST_RETRY_MS * 2 ** (failures - 1), LONGEST_RETRY_MS));

export type Refreshed = Readonly<{ news: readonly CalendarNews[]; failure?: string }>;

/** Asks a calendar's source now. The last good copy stays when it fails; what changed is kept as news. */
export async function refresh(pembit: Pembit, state: CalendarState): Promise<Refreshed> {
  const id = state.calendar;
  const before = await calendarById(pembit, id);
  const term = before && (await allTerms(pembit)).find((t) => t.id === before.term);
  if (!before || !term) return { news: [] };
  const fetched = state.file
    ? await readAgain(pembit, state.file, term.tzid)
    : await fetchCalendar(pembit, state, term.tzid);
  const nowMs = pembit.now().epochMilliseconds;
  if (fetched.kind === 'failed') {
    const { failure } = fetched;
    const nextAtMs = nextRead(nowMs, state.failures + 1);
    await pembit.queue.write((writer) => markFailed(writer, id, { failure, nowMs, nextAtMs }), {
      aside: true,
    });
    return { news: [], failure: failureOf(failure) };
  }
  const { etag, lastModified } = fetched;
  const answered = { etag, lastModified, nowMs, nextAtMs: state.file ? undefined : nextRead(nowMs, 0) };
  if (fetched.kind === 'unchanged') {
    await pembit.queue.write((writer) => markUnchanged(writer, id, answered), { aside: true });
    return { news: [] };
  }
  const { calendar } = fetched;
  const times = await timesIn(calendar, term);
  const news = calendarNews(before.times, times);
  const copy = { ...answered, times, troubles: calendar.skipped, news };
  if (news.length === 0) {
    await pembit.queue.write((writer) => saveCopy(writer, before, copy), { aside: true });
    return { news };
  }
  const act = {
    act: 'refreshCalendar',
    summary: historyTexts.calendarClosures({ name: before.name }),
    actor: null,
    nowMs,
  };
  await recordChange(pembit.queue, act, async (change) => {
    await saveCopy(change, before, copy);
    // Read within the transaction: it may have been switched off, or taken away, meanwhile.
    const present = await calendarById(change, id);
    if (present) await fitCalendarClosures(change, present, id);
  });
  return { news };
}

const AT_ONCE = 5;
const running = new WeakSet<Pembit['queue']>();

/** The scheduled round: every calendar whose time has come. It does not hold up other jobs. */
export async function refreshInTurn(pembit: Pembit): Promise<void> {
  if (running.has(pembit.queue)) return;
  const due = await calendarsDue(pembit, pembit.now().epochMilliseconds, AT_ONCE);
  if (due.length === 0) return;
  running.add(pembit.queue);
  void Promise.all(due.map((state) => refresh(pembit, state)))
    .catch((error: unknown) => pembit.log.error({ err: error }, 'Reading calendars failed'))
    .finally(() => running.delete(pembit.queue));
}
