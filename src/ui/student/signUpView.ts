import type { Clocks } from '../days/ownTime';
import { withOwnTime } from '../days/ownTime';
import { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrence';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { noticeEnds, untilWords } from '@/core/signup/noticeOf';
import { clashesWith } from '@/core/signup/clashesWith';
import type { SeenSheet, SeenSlot } from '@/core/signup/seenSheet';
import { freeOf } from '@/core/signup/seenSheet';
import { slotsByDay } from '@/core/signup/slotsByDay';
import { listed } from '@/core/texts/entries';
import { ownPlaceTexts } from '@/core/texts/ownPlace';
import { signupTexts } from '@/core/texts/signup';
import { dateLabel, momentLabel, rangeLabel, timeLabel } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import { weekNumber } from '@/core/time/term';
import type { Zone, ZoneLookup } from '@/core/time/zone';
import { toWall } from '@/core/time/zone';

export type SlotChoice = Readonly<{
  id: string;
  time: string;
  range: string;
  minutes: number;
  /** `late`: it can no longer be taken, or not yet; `offered`: kept for the viewer, who waited for it. */
  state: 'free' | 'taken' | 'yours' | 'late' | 'waiting' | 'offered';
  mayWait: boolean;
  when: string;
  hosts: string;
  /** What whoever takes it reads before: seats, names, how one meets, until when it can be taken and given back. */
  facts: readonly string[];
  /** What the viewer has then already. */
  clash: string;
}>;
export type SignUpDay = Readonly<{
  key: string;
  sheet: string;
  date: string;
  week: string;
  sortMs: number;
  tag: string;
  color: string;
  title: string;
  hosts: string;
  place: string;
  free: number;
  /** Why nothing can be taken now: the sheet opens later, or is closed. */
  shut: string;
  question?: Readonly<{ text: string; choices: readonly string[] }>;
  slots: readonly SlotChoice[];
}>;
export type OwnTime = Readonly<{
  booking: string;
  sheet: string;
  tag: string;
  color: string;
  when: string;
  range: string;
  title: string;
  hosts: string;
  place: string;
  meetingLink: string;
  note: string;
  companions: string;
  links: readonly Readonly<{ url: string; label: string }>[];
  /** Until when it can be given back; empty where that is over. */
  giveBackUntil: string;
  sortMs: number;
}>;
export type SignUpView = Readonly<{ days: readonly SignUpDay[]; own: readonly OwnTime[] }>;

type Given = Readonly<{
  zoneOf: ZoneLookup;
  now: Temporal.Instant;
  occurrences?: readonly Occurrence[];
  term?: Term;
}>;

const isOver = (at: Temporal.Instant, now: Temporal.Instant) => Temporal.Instant.compare(at, now) <= 0;

/** Why nothing of a sheet can be taken now, in words. */
function shutWords({ rules }: SeenSheet, now: Temporal.Instant, locale: string): string {
  if (rules.opens && !isOver(rules.opens.at, now))
    return signupTexts.take.opens({ when: momentLabel(rules.opens.wall, locale) });
  return rules.closes && isOver(rules.closes.at, now) ? signupTexts.take.closed : '';
}

function stateOf(
  sheet: SeenSheet,
  slot: SeenSlot,
  { now, zone }: { now: Temporal.Instant; zone: Zone },
): SlotChoice['state'] {
  if (slot.mine) return 'yours';
  const [waits] = sheet.asStaff ? [] : slot.waiting;
  if (isOver(noticeEnds(sheet.rules.take, slot.interval.start, zone), now)) return 'late';
  if (waits) return waits.offeredUntil && !isOver(waits.offeredUntil, now) ? 'offered' : 'waiting';
  return freeOf(slot) === 0 ? 'taken' : 'free';
}

/** Free and taken times still to come, over all courses, by day, next first; and the viewer's own. */
export function signUpView(plan: SeenPlan, { zoneOf, now, occurrences = [], term }: Given): SignUpView {
  const days: SignUpDay[] = [];
  const clashWith = clashesWith(occurrences, zoneOf);
  const own: OwnTime[] = [];
  for (const sheet of plan.sheets) {
    if (sheet.asStaff) continue;
    const zone = zoneOf(sheet.tzid);
    const course = plan.courses.find((c) => c.id === sheet.audience[0]?.course);
    const common = {
      sheet: sheet.id,
      tag: course?.tag ?? '',
      color: course?.color ?? '',
      title: sheet.title,
      hosts: listed(sheet.hostNames),
      place: sheet.place,
    };
    const shut = shutWords(sheet, now, plan.locale);
    const coming = sheet.slots.filter((slot) => !isOver(slot.interval.start, now));
    for (const { date, slots } of slotsByDay(coming, zone)) {
      const choices = slots.map((slot): SlotChoice => {
        const start = toWall(zone, slot.interval.start);
        const state = stateOf(sheet, slot, { now, zone });
        const clash = state === 'yours' ? undefined : clashWith(slot.interval);
        return {
          id: slot.id,
          time: timeLabel(start, plan.locale),
          range: withOwnTime(
            rangeLabel(start, toWall(zone, slot.interval.end), plan.locale),
            { wall: start, tzid: zone.tzid },
            plan,
          ),
          minutes: (slot.interval.end.epochMilliseconds - slot.interval.start.epochMilliseconds) / 60_000,
          state,
          mayWait: state === 'taken' && sheet.rules.waitingList && shut === '',
          when: momentLabel({ wall: start, tzid: zone.tzid }, plan.locale),
          hosts: listed(slot.hostNames),
          facts: factsOf(sheet, slot, { zone, locale: plan.locale }),
          clash: clash ? signupTexts.take.clash({ title: clash.title }) : '',
        };
      });
      const week = term && weekNumber(term, date);
      days.push({
        ...common,
        key: `${sheet.id} ${date}`,
        date: dateLabel(date, 'long', plan.locale),
        week: week ? signupTexts.take.week({ n: week }) : '',
        sortMs: slots[0]!.interval.start.epochMilliseconds,
        free: shut
          ? 0
          : choices.filter((choice) => choice.state === 'free' || choice.state === 'offered').length,
        shut,
        question: sheet.rules.question,
        slots: choices,
      });
    }
    for (const slot of coming)
      if (slot.mine) own.push(ownTime(sheet, slot, { ...common, zone, now, clocks: plan }));
  }
  days.sort((a, b) => a.sortMs - b.sortMs);
  own.sort((a, b) => a.sortMs - b.sortMs);
  return { days, own };
}

/** What is to be known of a time before it is taken. */
function factsOf(
  sheet: SeenSheet,
  slot: SeenSlot,
  { zone, locale }: { zone: Zone; locale: string },
): string[] {
  const { take: say } = signupTexts;
  const { rules } = sheet;
  const until = (notice: SeenSheet['rules']['take']) =>
    untilWords(noticeEnds(notice, slot.interval.start, zone), zone, locale);
  return [
    ...(slot.seats > 1
      ? [
          say.seats({ free: freeOf(slot), all: slot.seats }),
          rules.namesShown ? say.namesSeen : say.namesHidden,
        ]
      : []),
    ...(slot.elsewhere && slot.place ? [ownPlaceTexts.elsewhere({ place: slot.place })] : []),
    ...(rules.privateMeetings || slot.meetingLink ? [say.online] : []),
    say.until({ when: until(rules.take) }),
    say.returnUntil({ when: until(rules.giveBack) }),
  ];
}

function ownTime(
  sheet: SeenSheet,
  slot: SeenSlot,
  { zone, now, clocks, ...common }: Pick<OwnTime, 'sheet' | 'tag' | 'color' | 'title' | 'place'> & { zone: Zone; now: Temporal.Instant; clocks: Clocks }, // prettier-ignore
): OwnTime {
  const start = toWall(zone, slot.interval.start);
  const booking = slot.bookings.find((b) => b.mine);
  const until = noticeEnds(sheet.rules.giveBack, slot.interval.start, zone);
  const { locale } = clocks;
  return {
    ...common,
    hosts: listed(slot.hostNames),
    booking: slot.mine!,
    when: dateLabel(start.toPlainDate(), 'short', locale),
    range: withOwnTime(
      rangeLabel(start, toWall(zone, slot.interval.end), locale),
      { wall: start, tzid: zone.tzid },
      clocks,
    ),
    place: slot.place,
    meetingLink: booking?.meetingLink || slot.meetingLink,
    note: booking?.note ?? '',
    companions:
      slot.companions.length > 0 ? signupTexts.take.companions({ names: listed(slot.companions) }) : '',
    links: sheet.rules.links.map(({ url, label }) => ({ url, label: label || url })),
    giveBackUntil: isOver(until, now)
      ? ''
      : signupTexts.take.giveBackUntil({ when: untilWords(until, zone, locale) }),
    sortMs: slot.interval.start.epochMilliseconds,
  };
}
