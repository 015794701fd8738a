import { momentOfClass } from '@/core/events/momentOfClass';
import { audienceOf, mainMoment } from '@/core/entries/entry';
import type { SeenEntry } from '@/core/entries/seenBy';
import { seenBy } from '@/core/entries/seenBy';
import { TOLD_TYPES } from '@/core/events/event';
import type { EntryId, MeetingId, SectionId } from '@/core/ids';
import { may } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { trustTexts } from '@/core/texts/trust';
import { momentLabel } from '@/core/time/dateLabels';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { momentText } from '@/core/time/zonedWall';
import type { StoredEvent } from '@/data/events/events';
import { entryOfState, eventsAbout } from '@/data/events/events';
import { tellingOf } from '@/data/events/tellings';
import { countShownSince } from '@/data/entries/shown';
import { historyRecord } from '@/data/history/undo';
import { codeOfSection } from '@/data/plan/frameStore';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';
import { mayTell, untold } from './tellChange';
import type { Reading } from '../students/reading';
import { momentFor, readingOf } from '../students/reading';
import { fieldWords, fieldsSeen } from './toldLines';

/** One step by which a date came to be as it is; for staff, whom it was told. */
export type TrustLine = Readonly<{ what: string; by: string; told?: string }>;
export type Trust = Readonly<{
  lines: readonly TrustLine[];
  /** Of staff: the latest act that somebody has seen otherwise and was not told of. */
  pending?: Readonly<{ history: string; seen: number }>;
}>;

/** More than this many steps are not read by anybody. */
const MOST = 12;

/** What one event did to an entry, in the eyes of its reader; nothing where they could not see it, or see no difference. */
function entryStep(event: StoredEvent, viewer: SignedIn['viewer'], reading: Reading): string | undefined {
  const { before, after } = event.payload.entry!;
  const [was, now] = [before, after].map((state) => state ? (seenBy(viewer, entryOfState(state), event.at) as SeenEntry | undefined) : undefined); // prettier-ignore
  if (!was || was.kind === 'note') return undefined;
  const from = momentFor(mainMoment(was), reading);
  if (!now || now.kind === 'note') return event.type === 'entryDeleted' ? trustTexts.deleted({ when: from }) : trustTexts.withdrawn({ when: from });
  const to = momentFor(mainMoment(now), reading);
  if (was.cancelled === undefined && now.cancelled !== undefined) return trustTexts.calledOff({ when: to });
  if (was.cancelled !== undefined && now.cancelled === undefined) return trustTexts.takesPlace({ when: to });
  if (was.release === 'shown' && now.release !== 'shown') return trustTexts.withdrawn({ when: from });
  if (momentText(mainMoment(was)) !== momentText(mainMoment(now))) return trustTexts.moved({ was: from, now: to });
  const fields = fieldsSeen(event, was, now);
  return fields.length > 0 ? trustTexts.changed({ fields: fieldWords(fields) }) : undefined;
} // prettier-ignore

function classStep(event: StoredEvent, tzid: string, reading: Reading): string | undefined {
  const { before, after } = event.payload.class!;
  const [was, now] = [before, after].map((state) => state ? momentFor(momentOfClass(state, tzid), reading) : ''); // prettier-ignore
  if (event.type === 'classMoved') return trustTexts.moved({ was: was!, now: now! });
  if (event.type === 'classCalledOff') return trustTexts.calledOff({ when: now! });
  return event.type === 'classReinstated' ? trustTexts.takesPlace({ when: now! }) : undefined;
}

/** What steps are about; `tzid`: the zone of its plan. */
type About = Readonly<{ asStaff: boolean; subject: string; tzid: string }>;

async function lineOf(pembit: Pembit, event: StoredEvent, what: string, reading: Reading, { asStaff, subject, tzid }: About): Promise<TrustLine> {
  const { person } = event.actor ? await keptPerson(pembit, event.actor) : { person: undefined };
  const zone = requireZone(reading.tzid ?? tzid);
  const at = momentLabel({ wall: toWall(zone, event.at), tzid: zone.tzid }, reading.locale);
  const by = trustTexts.by({ name: person?.name ?? '', at });
  const telling = asStaff && event.history ? await tellingOf(pembit, event.history) : undefined;
  if (!telling) return { what, by };
  const sequence = Number(event.payload.entry?.after?.row.sequence ?? 0);
  const seen = event.payload.entry ? await countShownSince(pembit, subject, sequence) : 0;
  return { what, by, told: telling.told === 0 ? trustTexts.waved : trustTexts.told({ told: telling.told, failed: telling.failed, seen }) };
} // prettier-ignore

/** The latest act about a thing of which somebody has still to be told: what was told, or waved off, ends the looking back. */
async function pendingOf(pembit: Pembit, actor: SignedIn, events: readonly StoredEvent[]): Promise<Trust['pending']> {
  const acts = new Set(events.flatMap(({ type, history }) => (history && TOLD_TYPES.has(type) ? [history] : [])));
  for (const history of [...acts].reverse().slice(0, MOST)) {
    if (await tellingOf(pembit, history)) return undefined;
    const record = await historyRecord(pembit, history);
    if (!record || !mayTell(actor, record)) continue;
    const seen = await untold(pembit, record);
    if (seen > 0) return { history, seen };
  }
  return undefined;
} // prettier-ignore

async function trustOf(pembit: Pembit, actor: SignedIn, about: About & Readonly<{ step: (event: StoredEvent, reading: Reading) => string | undefined }>): Promise<Trust> {
  const events = await eventsAbout(pembit, about.subject);
  const reading = await readingOf(pembit, actor.person.id);
  const lines: TrustLine[] = [];
  for (const event of [...events].reverse()) {
    const what = about.step(event, reading);
    if (what && lines.length < MOST) lines.push(await lineOf(pembit, event, what, reading, about));
  }
  const pending = about.asStaff ? await pendingOf(pembit, actor, events) : undefined;
  return { lines, ...(pending ? { pending } : {}) };
} // prettier-ignore

/** How an entry came to be as it is, newest first, each step as its reader could see it; kept when it is gone. */
export async function trustOfEntry(pembit: Pembit, actor: SignedIn, id: EntryId): Promise<Outcome<Trust>> {
  const plan = await planSeenBy(pembit, actor.viewer);
  const entry = plan.entries.find((each) => each.id === id);
  if (!entry || entry.kind === 'note') return refused('notFound');
  const asStaff = entry.asStaff && may(actor, 'tellChange', { parts: audienceOf(entry) }).ok;
  const step = (event: StoredEvent, reading: Reading) =>
    event.payload.entry ? entryStep(event, actor.viewer, reading) : undefined;
  return done(await trustOf(pembit, actor, { subject: id, asStaff, tzid: entry.tzid, step }));
}

/** The same of a class. */
export async function trustOfClass(pembit: Pembit, actor: SignedIn, id: MeetingId): Promise<Outcome<Trust>> {
  const plan = await planSeenBy(pembit, actor.viewer);
  const seen = plan.classes.find(({ meeting }) => meeting.id === id);
  const place = seen && (await codeOfSection(pembit, seen.section.id as SectionId));
  if (!seen || !place) return refused('notFound');
  const step = (event: StoredEvent, reading: Reading) =>
    event.payload.class ? classStep(event, place.tzid, reading) : undefined;
  return done(await trustOf(pembit, actor, { subject: id, asStaff: seen.asStaff, tzid: place.tzid, step }));
}

/** What an entry was that is gone for somebody, by the last act that took it from them; nothing to who never saw it. */
export async function goneEntry(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
): Promise<Readonly<{ title: string; lines: readonly TrustLine[] }> | undefined> {
  const events = await eventsAbout(pembit, id);
  const seenIn = (event: StoredEvent, side: 'before' | 'after') => {
    const state = event.payload.entry?.[side];
    return state ? seenBy(actor.viewer, entryOfState(state), event.at) : undefined;
  };
  const last = events.findLast((event) => seenIn(event, 'before') && !seenIn(event, 'after'));
  const was = last && seenIn(last, 'before');
  if (!was || was.kind === 'note') return undefined;
  const step = (event: StoredEvent, reading: Reading) =>
    event.payload.entry ? entryStep(event, actor.viewer, reading) : undefined;
  const { lines } = await trustOf(pembit, actor, { subject: id, asStaff: false, tzid: was.tzid, step });
  return { title: was.title, lines };
}
