import { Temporal } from 'temporal-polyfill';
import type { FieldError } from '../refusals';
import { untilOf } from '../series/rule';
import { entryErrorTexts as say } from '../texts/entryErrors';
import type { Moment } from '../time/zonedWall';
import { dayOf, momentOrder, momentText } from '../time/zonedWall';
import type { AssignmentEntry, Entry } from './entry';
import { datesOutOfOrder } from './factsFromInput';
import type { EntryInputJson } from './entryInput';
import { entryInput } from './entryInput';
import type { EntryFacts } from './facts';

const text = (moment: Moment | undefined) => moment && momentText(moment);

/** The facts of an entry as they would be sent. */
export function sentFrom(facts: EntryFacts): EntryInputJson {
  const { title, description } = facts;
  if (facts.kind === 'note')
    return { kind: 'note', title, description, on: momentText(facts.on), about: facts.about };
  const { visibility, hiddenAfter, audience, links } = facts;
  const shared = {
    title,
    description,
    audience: audience.map(({ course, sections, groups, people }) => ({
      course,
      sections: sections && [...sections],
      groups: groups && [...groups],
      people: people && [...people],
    })),
    links: links.map(({ url, label, staffOnly, material, file }) => ({
      url,
      label,
      staffOnly,
      material,
      file,
    })),
    visibility:
      visibility.kind === 'from' ? { kind: 'from' as const, from: momentText(visibility.from) } : visibility,
    hiddenAfter: text(hiddenAfter?.wall),
  };
  switch (facts.kind) {
    case 'event':
      return {
        ...shared,
        kind: 'event',
        start: momentText(facts.when.start),
        end: text(facts.when.end),
        place: facts.place,
        meetingLink: facts.meetingLink,
        meetingName: facts.meetingName,
        meetingText: facts.meetingText,
        rrule: facts.recurrence?.rrule,
        ...(facts.recurrence?.closed ? { skipsClosures: true } : {}),
        coming: facts.coming && { seats: facts.coming.seats },
      };
    case 'assignment':
      return {
        ...shared,
        kind: 'assignment',
        setOn: text(facts.setOn),
        opens: text(facts.opens),
        due: momentText(facts.due),
        closes: text(facts.closes),
        atClass: facts.atClass,
        handIn: facts.handIn,
        lateWork: facts.lateWork,
        handInAgain: facts.handInAgain,
        latePolicy: facts.latePolicy,
        points: facts.points,
        effortMinutes: facts.effortMinutes,
        pacing: facts.pacing,
        extensions: facts.extensions.map((e) => ({
          person: e.person,
          due: momentText(e.due),
          closes: text(e.closes),
          hiddenAfter: text(e.hiddenAfter?.wall),
        })),
      };
    case 'announcement':
      return { ...shared, kind: 'announcement', on: momentText(facts.on) };
    default:
      return facts satisfies never;
  }
}

/** Whether it can still be handed in once it was due: what says "no late work" must not. */
const closesLater = ({ due, closes }: AssignmentEntry): boolean =>
  closes !== undefined && momentOrder(closes, due) > 0;

/** An entry's dates against each other, in each of its sections. */
function dateErrors(entry: Entry): FieldError[] {
  if (entry.kind === 'assignment')
    return [
      ...[entry, ...(entry.sectionDates ?? [])].flatMap((dates) => datesOutOfOrder(dates)),
      ...(entry.lateWork === 'refused' && closesLater(entry)
        ? [{ field: 'lateWork', message: say.refusedButOpen }]
        : []),
      ...entry.extensions.flatMap(({ due, closes }, i) =>
        datesOutOfOrder({ due, closes }).map(({ message }) => ({ field: `extensions.${i}.closes`, message })),
      ),
    ];
  if (entry.kind !== 'event') return [];
  const { start, end } = entry.when;
  if (end && momentOrder(end, start) <= 0) return [{ field: 'end', message: say.endsFirst }];
  const until = entry.recurrence && untilOf(entry.recurrence.rrule);
  return until && Temporal.PlainDate.compare(until, dayOf(start)) < 0
    ? [{ field: 'rrule', message: say.endsBeforeFirst }]
    : [];
}

function errorsOf(entry: Entry): FieldError[] {
  const read = entryInput.safeParse(sentFrom(entry));
  const issues = read.success ? [] : read.error.issues;
  return [
    ...issues.map(({ path, message }) => ({ field: path.join('.'), message })),
    ...dateErrors(entry),
  ].filter(
    (error, i, all) => all.findIndex((e) => e.field === error.field && e.message === error.message) === i,
  );
}

/**
 * What is wrong with an entry: by the schema of what is sent, and with how its dates lie. What was wrong with it already does
 * not count: it must not keep anybody from mending it date by date.
 */
export function factErrors(entry: Entry, before?: Entry): FieldError[] {
  const errors = errorsOf(entry);
  if (errors.length === 0 || !before) return errors;
  const known = new Set(errorsOf(before).map(({ field, message }) => `${field} ${message}`));
  return errors.filter(({ field, message }) => !known.has(`${field} ${message}`));
}
