import { Temporal } from 'temporal-polyfill';
import type { SheetInputJson } from '@/core/signup/sheetInput';
import type { Offer } from '@/core/signup/timesToOffer';
import { timesToOffer } from '@/core/signup/timesToOffer';
import { signupTexts } from '@/core/texts/signup';
import { panelTexts } from '@/core/texts/term';
import { rangeLabel, timeLabel } from '@/core/time/dateLabels';
import { readRange, readTime } from '@/core/time/typedTime';
import type { Zone } from '@/core/time/zone';
import { toWall } from '@/core/time/zone';

/** A sheet as it is typed. */
export type SheetDraft = Readonly<{
  title: string;
  course: string;
  day: string;
  start: string;
  end: string;
  length: string;
  gap: string;
  seats: string;
  timesPerStudent: string;
  place: string;
  meetingLink: string;
}>;

export type SheetErrors = Readonly<Partial<Record<keyof SheetDraft, string>>>;

/** What students will get, recomputed with each key. */
export type SheetPreview = Readonly<{
  errors: SheetErrors;
  /** Readings of a stretch that means two things, as `14:00–16:00`. */
  readings: readonly Readonly<{ start: string; end: string }>[];
  times: readonly string[];
  past: number;
  remainderMinutes: number;
  meetMinutes: number;
  stretchMinutes: number;
  input?: Omit<SheetInputJson, 'offered'>;
}>;

const NOTHING = {
  readings: [],
  times: [],
  past: 0,
  remainderMinutes: 0,
  meetMinutes: 0,
  stretchMinutes: 0,
} as const;

const whole = (text: string): number => (/^\d{1,4}$/.test(text.trim()) ? Number(text) : NaN);

export function previewSheet(draft: SheetDraft, zone: Zone, now: Temporal.Instant): SheetPreview {
  const errors: Partial<Record<keyof SheetDraft, string>> = {};
  if (draft.title.trim() === '') errors.title = panelTexts.errors.title;
  const length = whole(draft.length);
  const gap = whole(draft.gap);
  const seats = whole(draft.seats);
  const timesPerStudent = whole(draft.timesPerStudent);
  if (!(length >= 5 && length <= 720)) errors.length = signupTexts.errors.length;
  if (!(gap >= 0 && gap <= 240)) errors.gap = signupTexts.errors.gap;
  if (!(seats >= 1 && seats <= 100)) errors.seats = signupTexts.errors.seats;
  if (!(timesPerStudent >= 1 && timesPerStudent <= 100))
    errors.timesPerStudent = signupTexts.errors.timesPerStudent;
  if (draft.meetingLink.trim() !== '' && !/^https?:\/\//i.test(draft.meetingLink.trim()))
    errors.meetingLink = panelTexts.errors.url;

  let day: Temporal.PlainDate | undefined;
  try {
    day = Temporal.PlainDate.from(draft.day);
  } catch {
    errors.day = panelTexts.errors.day;
  }
  // The start and the end settle each other where one alone would have to be asked.
  const range = readRange(`${draft.start} - ${draft.end}`);
  if (range.kind === 'unreadable') {
    if (readTime(draft.start).kind === 'unreadable') errors.start = panelTexts.errors.time;
    if (readTime(draft.end).kind === 'unreadable') errors.end = panelTexts.errors.time;
  } else if (range.kind === 'backwards') errors.end = signupTexts.backwards;
  else if (range.kind === 'ask')
    return {
      ...NOTHING,
      errors: { ...errors, end: panelTexts.errors.which },
      readings: range.readings.map(({ start, end }) => ({ start: timeLabel(start), end: timeLabel(end) })),
    };
  if (range.kind !== 'range' || !day || errors.length || errors.gap) return { ...NOTHING, errors };

  const stretch = { start: day.toPlainDateTime(range.start), end: day.toPlainDateTime(range.end) };
  const offer: Offer = timesToOffer([stretch], { length, gap }, zone, now);
  if (!offer.ok) return { ...NOTHING, errors };
  const wall = (at: Temporal.Instant) => toWall(zone, at);
  const text = (at: Temporal.PlainDateTime) => at.toString({ smallestUnit: 'minute' });
  return {
    errors,
    readings: [],
    times: offer.times.map((time) => rangeLabel(wall(time.start), wall(time.end))),
    past: offer.past,
    remainderMinutes: offer.remainderMinutes,
    meetMinutes: offer.times.length * length,
    stretchMinutes: stretch.start.until(stretch.end).total('minutes'),
    input:
      Object.keys(errors).length > 0
        ? undefined
        : {
            title: draft.title,
            audience: [{ course: draft.course }],
            stretches: [{ start: text(stretch.start), end: text(stretch.end) }],
            length,
            gap,
            seats,
            timesPerStudent,
            place: draft.place,
            meetingLink: draft.meetingLink.trim(),
          },
  };
}
