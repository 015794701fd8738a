import { Temporal } from 'temporal-polyfill';
import type { ClockRange, Offering, Stretch } from '@/core/signup/offeredTimes';
import { readNotice } from '@/core/signup/readNotice';
import { readStretches } from '@/core/signup/readStretches';
import type { SheetInputJson } from '@/core/signup/sheetInput';
import type { Notice } from '@/core/signup/sheet';
import { signupTexts } from '@/core/texts/signup';
import { formTexts } from '@/core/texts/forms';
import { timeLabel } from '@/core/time/dateLabels';
import { readRange, readTime } from '@/core/time/typedTime';
import type { DraftLink } from '../entries/draftLinks';
import { sentLinks } from '../entries/draftLinks';
import type { CourseChoice } from '../entries/entryDraft';

/** A sheet as it is typed. */
export type SheetDraft = Readonly<{
  title: string;
  courses: Readonly<Record<string, CourseChoice>>;
  /** Days and hours as they are typed; what is painted is written there, too. */
  typed: string;
  repeat: 'once' | 'weekly';
  until: string;
  length: string;
  whole: boolean;
  gap: string;
  breaks: string;
  leftOut: readonly string[];
  allTheSame: readonly string[];
  seats: string;
  perSheet: string;
  perDay: string;
  perWeek: string;
  take: string;
  giveBack: string;
  opensDay: string;
  opensTime: string;
  closesDay: string;
  closesTime: string;
  namesShown: boolean;
  waitingList: boolean;
  asks: boolean;
  question: string;
  choices: string;
  meet: 'place' | 'link' | 'private';
  place: string;
  meetingLink: string;
  hosts: readonly string[];
  together: boolean;
  links: readonly DraftLink[];
}>;

export type SheetErrors = Readonly<Partial<Record<string, string>>>;

/** What was typed, as an offering, and what must be asked about it. */
export type TypedOffering = Readonly<{
  offering?: Offering;
  /** Both readings of days and hours that mean two things. */
  readings: readonly string[];
  /** Stretches over midnight, if they are meant. */
  twoDays?: readonly Stretch[];
  errors: SheetErrors;
}>;

const whole = (text: string): number => (/^\d{1,4}$/.test(text.trim()) ? Number(text) : NaN);
const dateOf = (text: string): Temporal.PlainDate | undefined => {
  try {
    return Temporal.PlainDate.from(text);
  } catch {
    return undefined;
  }
};

/** `12:30-13:00; 15-15:30`, or undefined where a part cannot be read. */
function readBreaks(text: string): ClockRange[] | undefined {
  const parts = text.split(/[;\n]/).filter((part) => part.trim() !== '');
  const read = parts.map((part) => readRange(part));
  const ranges = read.flatMap((range) =>
    range.kind === 'range' ? [{ start: range.start, end: range.end }] : [],
  );
  return ranges.length === parts.length ? ranges : undefined;
}

export function typedOffering(draft: SheetDraft, from: Temporal.PlainDate): TypedOffering {
  const errors: Record<string, string> = {};
  const length = whole(draft.length);
  const gap = whole(draft.gap);
  if (!draft.whole && !(length >= 5 && length <= 720)) errors.length = signupTexts.errors.length;
  if (!(gap >= 0 && gap <= 240)) errors.gap = signupTexts.errors.gap;
  const breaks = readBreaks(draft.breaks);
  if (!breaks) errors.breaks = signupTexts.fields.breaksHint;
  const until = draft.repeat === 'weekly' ? dateOf(draft.until) : undefined;
  if (draft.repeat === 'weekly' && !until) errors.until = signupTexts.errors.date;
  const read = readStretches(draft.typed, from);
  if (!read.ok) {
    const typed =
      read.why === 'ask'
        ? formTexts.errors.which
        : read.why === 'midnight'
          ? signupTexts.midnight
          : signupTexts.errors.stretch;
    return {
      errors: { ...errors, typed },
      readings:
        read.why === 'ask' ? read.readings.map((reading) => draft.typed.replace(read.part, reading)) : [],
      ...(read.why === 'midnight' ? { twoDays: read.twoDays } : {}),
    };
  }
  if (Object.keys(errors).length > 0) return { errors, readings: [] };
  // The last day follows the first: one before any stretch is none.
  const [first] = read.stretches.map(({ date }) => date).sort(Temporal.PlainDate.compare);
  const last = until && first && Temporal.PlainDate.compare(until, first) < 0 ? first : until;
  return {
    errors,
    readings: [],
    offering: {
      repeat: draft.repeat === 'weekly' ? 'weekly' : 'dates',
      stretches: read.stretches,
      until: last,
      length: draft.whole ? 'whole' : length,
      gap,
      breaks: breaks!,
      leftOut: draft.leftOut,
      allTheSame: draft.allTheSame,
    },
  };
}

const clockText = (time: Temporal.PlainTime) => time.toString({ smallestUnit: 'minute' });

export const sentOffering = (offering: Offering): SheetInputJson['offering'] => ({
  ...offering,
  leftOut: [...offering.leftOut],
  allTheSame: [...offering.allTheSame],
  stretches: offering.stretches.map(({ date, start, end }) => ({
    date: date.toString(),
    start: clockText(start),
    end: clockText(end),
  })),
  breaks: offering.breaks.map(({ start, end }) => ({ start: clockText(start), end: clockText(end) })),
  until: offering.until?.toString(),
});

type Facts = Omit<SheetInputJson, 'offering' | 'offered'>;

/** Everything but the times, as it is sent, or what is wrong with it, field by field. */
export function sheetFactsOf(draft: SheetDraft): Readonly<{ facts?: Facts; errors: SheetErrors }> {
  const errors: Record<string, string> = {};
  const { errors: say } = signupTexts;
  const count = (field: string, text: string, most: number): number | undefined => {
    if (text.trim() === '') return undefined;
    const value = whole(text);
    if (!(value >= 1 && value <= most)) errors[field] = field === 'seats' ? say.seats : say.timesPerStudent;
    return value;
  };
  const notice = (field: string, text: string): Notice | undefined => {
    const read = readNotice(text);
    if (read === 'ask') errors[field] = say.noticeAsk;
    else if (!read) errors[field] = say.notice;
    return read === 'ask' ? undefined : read;
  };
  const moment = (field: string, day: string, clock: string): string | undefined => {
    if (day === '') return undefined;
    const time = readTime(clock);
    if (time.kind !== 'time')
      errors[field] = time.kind === 'ask' ? formTexts.errors.which : formTexts.errors.time;
    return time.kind === 'time' ? `${day}T${timeLabel(time.time)}` : undefined;
  };
  if (draft.title.trim() === '') errors.title = formTexts.errors.title;
  const audience = Object.entries(draft.courses).map(([course, choice]) => ({
    course,
    ...(choice.sections.length > 0 ? { sections: [...choice.sections] } : {}),
    ...(choice.groups.length > 0 ? { groups: [...choice.groups] } : {}),
    ...(choice.people.length > 0 ? { people: [...choice.people] } : {}),
  }));
  if (audience.length === 0) errors.courses = formTexts.errors.course;
  const seats = count('seats', draft.seats, 100) ?? NaN;
  if (Number.isNaN(seats)) errors.seats = say.seats;
  const perSheet = count('perSheet', draft.perSheet, 100) ?? NaN;
  if (Number.isNaN(perSheet)) errors.perSheet = say.timesPerStudent;
  const link = draft.meetingLink.trim();
  if (draft.meet === 'link' && !/^https?:\/\/\S+$/i.test(link)) errors.meetingLink = formTexts.errors.url;
  if (draft.asks && draft.question.trim() === '') errors.question = say.question;
  const take = notice('take', draft.take);
  const giveBack = notice('giveBack', draft.giveBack);
  const rules = {
    perSheet,
    perDay: count('perDay', draft.perDay, 20),
    perWeek: count('perWeek', draft.perWeek, 50),
    take: take && sentNotice(take),
    giveBack: giveBack && sentNotice(giveBack),
    opens: moment('opensTime', draft.opensDay, draft.opensTime),
    closes: moment('closesTime', draft.closesDay, draft.closesTime),
    namesShown: draft.namesShown,
    waitingList: draft.waitingList,
    together: draft.together,
    privateMeetings: draft.meet === 'private',
    question: draft.asks
      ? {
          text: draft.question.trim(),
          choices: draft.choices
            .split('\n')
            .map((choice) => choice.trim())
            .filter(Boolean),
        }
      : undefined,
    links: sentLinks(draft.links),
  };
  if (Object.keys(errors).length > 0) return { errors };
  const { title } = draft;
  const place = draft.meet === 'place' ? draft.place : '';
  const hosts = draft.hosts.length > 0 ? [...draft.hosts] : undefined;
  const meetingLink = draft.meet === 'link' ? link : '';
  return { errors, facts: { title, audience, seats, hosts, place, meetingLink, rules } as Facts };
}

const sentNotice = (notice: Notice) =>
  notice.kind === 'minutes' ? notice : { kind: notice.kind, days: notice.days, at: clockText(notice.at) };
