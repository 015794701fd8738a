import { classPath } from '@/core/plan/classPath';
import { ownTimeOf } from '../days/ownTime';
import { isWhole } from '@/core/time/closure';
import { closureTitle } from '@/core/plan/closureTitle';
import type { Temporal } from 'temporal-polyfill';
import { joinWindow } from '@/core/plan/joinWindow';
import { titleOf } from '@/core/plan/titleOf';
import type { Occurrence } from '@/core/plan/occurrence';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { freeOf } from '@/core/signup/seenSheet';
import { daySheetTexts } from '@/core/texts/daySheet';
import { embedTexts } from '@/core/texts/embeds';
import { entryTexts, listed } from '@/core/texts/entries';
import { pacingTexts } from '@/core/texts/pacing';
import { studentTexts } from '@/core/texts/student';
import { dateLabel, momentLabel, rangeLabel, timeLabel } from '@/core/time/dateLabels';
import type { ZoneLookup } from '@/core/time/zone';
import { dayOf, isDay, momentText } from '@/core/time/zonedWall';

export type DayLine = Readonly<{
  key: string;
  kind: Occurrence['kind'];
  time: string;
  tags: readonly Readonly<{ tag: string; color: string }>[];
  title: string;
  /** Called off: struck through. */
  off: boolean;
  detail: string;
  /** The page of the entry, or where times are taken. */
  href?: string;
  links: readonly Readonly<{ url: string; label: string }>[];
  /** What is news about it, in a word. */
  mark?: string;
  /** Of due work: the entry that can be ticked as done. */
  work?: string;
}>;

function detailOf(o: Occurrence, locale: string): string {
  switch (o.kind) {
    case 'event':
    case 'class':
      return o.cancelled === undefined ? o.place : entryTexts.cancelled({ reason: o.cancelled });
    case 'announcement':
      return entryTexts.kind.announcement;
    case 'note':
      return entryTexts.kind.note;
    case 'closure':
      return isWhole(o) && !o.sectionNames ? '' : closureTitle(o.title, o, locale);
    case 'siteDate':
      return entryTexts.kind.siteDate;
    case 'outside':
      return [o.cancelled === undefined ? '' : entryTexts.cancelled({ reason: '' }), o.calendarName, o.place]
        .filter(Boolean)
        .join(' · ');
    case 'set':
      return entryTexts.due({ when: momentLabel(o.due, locale) });
    case 'due':
      return [
        o.cancelled === undefined ? '' : entryTexts.cancelled({ reason: o.cancelled }),
        ownWords(o),
        o.handIn,
        o.setOn && studentTexts.setLine({ day: dateLabel(o.setOn, 'short', locale) }),
      ]
        .filter(Boolean)
        .join(' · ');
    case 'times': {
      const free = o.slots.filter((slot) => freeOf(slot) > 0).length;
      return embedTexts.free({ free, all: o.slots.length });
    }
    case 'booking':
      return [o.title, o.place, o.note && `“${o.note}”`].filter(Boolean).join(' · ');
    default:
      return o satisfies never;
  }
}

/** Whether a due date is one's own. */
function ownWords({ extended, paced, asStaff }: Extract<Occurrence, { kind: 'due' }>): string {
  if (extended) return studentTexts.extended;
  if (!paced || asStaff) return '';
  return paced === 'own' ? pacingTexts.short : pacingTexts.shortLast;
}

/** What even those want to know who asked for titles and times alone. */
function mattersOf(o: Occurrence): string {
  if (o.cancelled !== undefined) return entryTexts.cancelled({ reason: o.cancelled });
  return o.kind === 'due' ? ownWords(o) : '';
}

function nameOf(o: Occurrence): string {
  if (o.kind === 'booking')
    return o.mine ? studentTexts.withNames({ names: listed(o.withNames) }) : listed(o.withNames);
  return titleOf(o);
}

function timeOf(o: Occurrence, locale: string): string {
  if (isDay(o.start)) return '';
  if (o.kind === 'due') return entryTexts.by({ time: timeLabel(o.start.wall, locale) });
  return o.end && !isDay(o.end)
    ? rangeLabel(o.start.wall, o.end.wall, locale)
    : timeLabel(o.start.wall, locale);
}

/** Now, where a line is to say whether its meeting can be joined. */
export type JoinAt = Readonly<{ now: Temporal.Instant; zoneOf: ZoneLookup }>;

/** The way into a meeting shortly before and while it is; before that, from when on. */
function joinOf(
  o: Occurrence,
  at: JoinAt | undefined,
  locale: string,
): Readonly<{ link?: string; hint: string }> {
  if (!('meetingLink' in o) || !o.meetingLink || !at) return { hint: '' };
  const joining = joinWindow(o, at.now, at.zoneOf);
  if (joining.state === 'now') return { link: o.meetingLink, hint: '' };
  return {
    hint: joining.state === 'later' ? daySheetTexts.joinFrom({ time: timeLabel(joining.from, locale) }) : '',
  };
}

/** One line of a list by day: for the student's home, the day sheet and the entry's page alike. */
export function dayLine(
  o: Occurrence,
  plan: Pick<SeenPlan, 'courses' | 'locale' | 'abroad' | 'plain'>,
  at?: JoinAt,
): DayLine {
  const join = joinOf(o, at, plan.locale);
  const links = [
    ...(join.link
      ? [{ url: join.link, label: entryTexts.join({ name: 'meetingName' in o ? o.meetingName : '' }) }]
      : []),
    ...('links' in o ? o.links.map(({ url, label }) => ({ url, label })) : []),
    ...(o.kind === 'outside' && o.url ? [{ url: o.url, label: embedTexts.more }] : []),
  ];
  const courses = o.kind === 'outside' ? [] : plan.courses.filter((c) => o.courses.includes(c.id));
  const sheet = `/day/${dayOf(o.start)}`;
  return {
    key: `${o.uid} ${o.kind} ${momentText(o.start)}`,
    kind: o.kind,
    time: [timeOf(o, plan.locale), ownTimeOf(o.start, plan)].filter(Boolean).join(' '),
    ...(o.news ? { mark: studentTexts.mark[o.news] } : {}),
    ...(o.kind === 'due' ? { work: o.entry } : {}),
    tags: courses.map(({ tag, color }) => ({ tag, color })),
    title: nameOf(o),
    off: o.cancelled !== undefined,
    detail: [plan.plain ? mattersOf(o) : detailOf(o, plan.locale), join.hint].filter(Boolean).join(' · '),
    href:
      'entry' in o
        ? `/e/${o.entry}`
        : o.kind === 'class'
          ? classPath(o.meeting)
          : o.kind === 'closure' || o.kind === 'siteDate' || o.kind === 'outside'
            ? sheet
            : '/sign-up',
    links,
  };
}
