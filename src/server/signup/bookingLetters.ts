import type { Temporal } from 'temporal-polyfill';
import { writeCalendar } from '@/core/icalendar/writeCalendar';
import { tagged } from '@/core/outlets/eventParts';
import { bookingEvent } from '@/core/signup/bookingEvent';
import { meetsAt } from '@/core/signup/meetsAt';
import type { Booking, Sheet, Slot } from '@/core/signup/sheet';
import { hostsOf } from '@/core/signup/sheet';
import { untilWords, noticeEnds } from '@/core/signup/noticeOf';
import { trustTexts } from '@/core/texts/trust';
import { bookingMailTexts as say } from '@/core/texts/bookingMail';
import { listed } from '@/core/texts/entries';
import { dateLabel, rangeLabel } from '@/core/time/dateLabels';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { zoneWords } from '@/core/time/zoneWords';
import type { Change } from '@/data/history/change';
import type { GatheredLine } from '@/data/mail/gathered';
import { gatherLines } from '@/data/mail/gathered';
import type { Letter } from '@/data/mail/outbox';
import { queueLetters } from '@/data/mail/outbox';
import { personById } from '@/data/people/people';
import { courseNamesOf } from '@/data/signup/sheets';
import { personSettings } from '@/data/students/students';
import { unsubscribeToken } from '../mail/unsubscribe';
import { keptSettings } from '../frame/keptSettings';
import type { Pembit } from '../pembit';
import type { Reading } from '../students/reading';
import { asChosen } from '../students/reading';
import type { SignedIn } from '../session/session';

/** When a time is, in words: `Thu 15 Oct, 12:00–12:25`. */
export function slotWords({ tzid }: Pick<Sheet, 'tzid'>, interval: Slot['interval'], locale: string): string {
  const zone = requireZone(tzid);
  const start = toWall(zone, interval.start);
  return `${dateLabel(start.toPlainDate(), 'short', locale)}, ${rangeLabel(start, toWall(zone, interval.end), locale)}`;
}

/** The same as somebody reads it: in their own way of writing dates, by their own clock as well where that is another. */
export function slotWordsFor(sheet: Sheet, interval: Slot['interval'], { locale, tzid }: Reading): string {
  const plain = slotWords(sheet, interval, locale);
  return !tzid || tzid === sheet.tzid
    ? plain
    : trustTexts.own({ when: plain, own: slotWords({ tzid }, interval, locale) });
}

export const hostNamesOf = (sheet: Sheet, slot: Pick<Slot, 'host'>): readonly string[] =>
  hostsOf(sheet, slot).map((host) => host.name);

export type BookingNews = Readonly<{
  kind: 'taken' | 'changed' | 'cancelled' | 'reminder';
  sheet: Sheet;
  slot: Slot;
  booking: Booking;
  /** How it stood before, where it moved. */
  was?: Slot['interval'];
  /** What its staff say to it. */
  message?: string;
}>;

/**
 * Writes to whoever has a time, with the time as an invitation (iTIP, RFC 5546; by mail, RFC 6047): REQUEST under the
 * booking's UID with a grown SEQUENCE, CANCEL when it does not take place. Pembit's mailbox organizes it under the name of
 * who receives; no answer is asked for.
 */
export async function writeOfBooking(
  pembit: Pembit,
  change: Change,
  actor: SignedIn | undefined,
  news: BookingNews,
): Promise<void> {
  const { person } = news.booking;
  // What one did oneself one may do without being written to; what others do to one's time one must hear of.
  const own = news.kind === 'taken' || news.kind === 'reminder' || actor?.person.id === person;
  const settings = await personSettings(change, person);
  const when = own ? settings.letters.times : 'now';
  if (when === 'never') return;
  const reading = asChosen(settings, (await keptSettings(pembit)).locale);
  const letter = await letterOf(pembit, change, { actor, news, reading });
  if (!letter) return;
  if (when === 'now' || news.kind === 'reminder')
    await queueLetters(
      change,
      [{ ...letter, ...(own ? { unsubscribe: unsubscribeToken(pembit, person, 'times') } : {}) }],
      change.nowMs,
    );
  else await gatherLines(change, [lineOf(pembit, letter, news)], { nowMs: change.nowMs });
}

const lineOf = (pembit: Pembit, { subject }: Letter, { booking, sheet }: BookingNews): GatheredLine => ({
  person: booking.person,
  sort: 'times',
  about: booking.id,
  line: `${subject}\n${pembit.config.baseUrl}/s/${sheet.id}`,
});

async function letterOf(
  pembit: Pembit,
  change: Change,
  { actor, news, reading }: Readonly<{ actor: SignedIn | undefined; news: BookingNews; reading: Reading }>,
): Promise<Letter | undefined> {
  const { kind, sheet, slot, booking, was, message = '' } = news;
  const person = await personById(change, booking.person);
  if (!person) return undefined;
  const courses = await courseNamesOf(change, sheet);
  const zone = requireZone(sheet.tzid);
  const names = hostNamesOf(sheet, slot);
  const signUp = `${pembit.config.baseUrl}/s/${sheet.id}`;
  const where = meetsAt(sheet, slot);
  const event = bookingEvent(
    { ...sheet, ...where },
    {
      interval: slot.interval,
      booking,
      names,
      named: (title) => tagged(courses, title),
      codes: courses.map((course) => course.code),
      zone,
      signUp,
    },
  );
  const host = listed(names);
  const calendar = writeCalendar(
    {
      method: kind === 'cancelled' ? 'CANCEL' : 'REQUEST',
      name: '',
      events: [
        {
          ...event,
          status: kind === 'cancelled' ? 'CANCELLED' : 'CONFIRMED',
          organizer: { name: say.organizer({ host }), email: pembit.config.mailFrom },
          attendee: { name: person.name, email: person.email },
        },
      ],
    },
    requireZone,
  );
  const when = slotWordsFor(sheet, slot.interval, reading);
  const giveBack = noticeEnds(sheet.rules.giveBack, slot.interval.start, zone);
  const facts = {
    name: person.name,
    title: sheet.title,
    when,
    host,
    place: where.place,
    link: booking.meetingLink || where.meetingLink,
    note: booking.note,
    was: was && slotWordsFor(sheet, was, reading),
    message,
    giveBackUntil: untilWords(giveBack, zone, reading.locale),
    signUp,
  };
  return {
    to: person.email,
    subject: say.subject[kind]({ title: sheet.title, when }),
    text: `${say.letter[kind](facts)}\n${say.zone({ words: zoneWords(sheet.tzid) })}\n`,
    sender: actor?.person.id ?? sheet.hosts[0]?.id ?? null,
    calendar: { method: kind === 'cancelled' ? 'CANCEL' : 'REQUEST', text: calendar },
  };
}

/** A booking that changed now: later readers see that by its SEQUENCE. */
export const grown = (booking: Booking, now: Temporal.Instant): Booking => ({
  ...booking,
  sequence: booking.sequence + 1,
  lastModified: now,
});
