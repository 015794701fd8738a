import { groupBy } from '../groupBy';
import { readingTexts } from '../texts/reading';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay, momentText } from '../time/zonedWall';
import type { Component } from './components';
import { components, propertiesOf, property } from './components';
import type { Trouble } from './contentLines';
import { contentLines } from './contentLines';
import { afterDuration, inZone, momentMs, readMoment, zoneReading } from './readMoment';
import type { ZoneReading } from './readMoment';
import { readRule } from './readRule';
import { unescapeText } from './text';

/** An event (or a task with its due time) of a file that others wrote. Its series has the zone of its start. */
export type ReadEvent = Readonly<{
  kind: 'event' | 'task';
  uid: string;
  /** Where it begins in the file. */
  line: number;
  title: string;
  /** Plain text; `html` where the file has a formatted form, not cleaned yet. */
  description: string;
  html?: string;
  place: string;
  url: string;
  start: Moment;
  end?: Moment;
  cancelled: boolean;
  rrule?: string;
  rdates: readonly Moment[];
  exdates: readonly Moment[];
  overrides: readonly ReadOverride[];
  sequence: number;
}>;

/** One occurrence that differs; what is absent is as in its series. */
export type ReadOverride = Readonly<{
  recurrenceId: Moment;
  title: string;
  /** Where the file gives it a text of its own. */
  text?: Pick<ReadEvent, 'description' | 'html'>;
  place: string;
  start: Moment;
  end?: Moment;
  cancelled: boolean;
}>;

export type ReadCalendar = Readonly<{
  /** False where the file is no calendar at all. */
  ok: boolean;
  name: string;
  events: readonly ReadEvent[];
  /** What was left out. */
  skipped: readonly Trouble[];
  /** What was read otherwise than it was written. */
  warnings: readonly Trouble[];
}>;

const MOST_EXDATES = 1000;
/** What a file is likely to mean beside events: not counted as left out. */
const SILENT = new Set(['VTIMEZONE']);

type Reading = Readonly<{
  zoneOf: ZoneReading;
  floating: string;
  leaveOut: (line: number, title: string | undefined, why: string) => void;
  warn: (line: number, title: string | undefined, why: string) => void;
}>;

type Single = ReadEvent & Readonly<{ recurrenceId?: Moment; stamp: string }>;

/**
 * Reads a calendar file as files are found. What cannot be understood is left out, component by component, and named with
 * its line; the rest is read. Times without a zone are those of the file's X-WR-TIMEZONE, else of `tzid`.
 */
export function readCalendar(octets: Uint8Array, { tzid }: Readonly<{ tzid: string }>): ReadCalendar {
  const { lines, troubles } = contentLines(octets);
  const { roots, troubles: structural } = components(lines);
  const skipped: Trouble[] = [];
  const warnings: Trouble[] = [...troubles, ...structural];
  if (roots.length === 0)
    return {
      ok: false,
      name: '',
      events: [],
      skipped: [{ line: 1, why: readingTexts.noCalendar }],
      warnings: [],
    };
  const zoneOf = zoneReading(roots, tzid);
  const declared = roots.map((root) => property(root, 'X-WR-TIMEZONE')?.value.trim()).find(Boolean);
  const reading: Reading = {
    zoneOf,
    floating: declared ? zoneOf(declared).tzid : tzid,
    leaveOut: (line, title, why) => skipped.push({ line, title, why }),
    warn: (line, title, why) => warnings.push({ line, title, why }),
  };
  const singles = roots.flatMap((root) =>
    root.children.flatMap((component) => {
      if (component.name === 'VEVENT' || component.name === 'VTODO') {
        const read = readSingle(component, reading);
        return read ? [read] : [];
      }
      if (!SILENT.has(component.name))
        reading.leaveOut(component.line, undefined, readingTexts.notAnEvent(component.name));
      return [];
    }),
  );
  const names = roots.flatMap((root) => property(root, 'NAME') ?? property(root, 'X-WR-CALNAME') ?? []);
  return {
    ok: true,
    name: names[0] ? unescapeText(names[0].value).slice(0, 200) : '',
    events: gathered(singles, reading),
    skipped,
    warnings,
  };
}

function readSingle(component: Component, reading: Reading): Single | undefined {
  const { line } = component;
  const text = (name: string) => unescapeText(property(component, name)?.value ?? '').trim();
  const title = text('SUMMARY').replace(/\s+/g, ' ').slice(0, 200) || readingTexts.untitled;
  const task = component.name === 'VTODO';
  const moment = (name: string): Moment | undefined => {
    const found = property(component, name);
    if (!found) return undefined;
    const read = readMoment(found, reading);
    if (!read.ok) {
      reading.leaveOut(found.line, title, read.why);
      return undefined;
    }
    if (read.why) reading.warn(found.line, title, read.why);
    return read.moment;
  };
  const startName = task && property(component, 'DUE') ? 'DUE' : 'DTSTART';
  const start = moment(startName);
  if (!start) {
    if (!property(component, startName)) reading.leaveOut(line, title, readingTexts.noStart);
    return undefined;
  }
  const uid = text('UID').slice(0, 500);
  if (uid === '') reading.warn(line, title, readingTexts.noUid);
  const recurrenceId = property(component, 'RECURRENCE-ID') && moment('RECURRENCE-ID');
  if (property(component, 'RECURRENCE-ID')) {
    if (!recurrenceId) return undefined;
    if (property(component, 'RECURRENCE-ID')!.params.get('RANGE'))
      reading.warn(line, title, readingTexts.thisAndFuture);
  }
  const place = text('LOCATION').replace(/\s+/g, ' ').slice(0, 200);
  const repeats = repeatsOf(component, { start, title, place }, reading);
  if (!repeats) return undefined;
  const styled =
    component.properties.find((p) => p.name === 'STYLED-DESCRIPTION' && p.params.get('FMTTYPE') === 'text/html') ??
    component.properties.find((p) => p.name === 'X-ALT-DESC' && p.params.get('FMTTYPE') === 'text/html'); // prettier-ignore
  return {
    kind: task ? 'task' : 'event',
    uid: uid || `${momentText(start)} ${title}`,
    line,
    title,
    description: text('DESCRIPTION').slice(0, 60_000),
    ...(styled ? { html: unescapeText(styled.value).slice(0, 60_000) } : {}),
    place,
    url: property(component, 'URL')?.value.trim().slice(0, 2000) ?? '',
    start,
    end: task ? undefined : endOf(component, { start, title }, reading),
    cancelled: text('STATUS').toUpperCase() === 'CANCELLED',
    ...repeats,
    sequence: Math.min(Number(/^\d{1,9}$/.exec(text('SEQUENCE'))?.[0] ?? 0), 1_000_000),
    recurrenceId,
    stamp: text('DTSTAMP'),
  };
}

type Named = Readonly<{ start: Moment; title: string }>;

function endOf(component: Component, { start, title }: Named, reading: Reading): Moment | undefined {
  const [dtend, duration] = [property(component, 'DTEND'), property(component, 'DURATION')];
  if (dtend && duration) reading.warn(duration.line, title, readingTexts.endAndDuration);
  if (!dtend && !duration) return undefined;
  const line = (dtend ?? duration)!.line;
  const without = (why: string) => {
    reading.warn(line, title, why);
    return undefined;
  };
  let end: Moment | undefined;
  if (dtend) {
    const read = readMoment(dtend, reading);
    if (!read.ok) return without(read.why);
    end = read.moment;
  } else end = afterDuration(start, duration!.value);
  if (!end) return without(readingTexts.badDuration(duration!.value));
  if (isDay(end) !== isDay(start)) return without(readingTexts.endMixed);
  const order = momentMs(end, 'UTC') - momentMs(start, 'UTC');
  // Written so by many for something of no length.
  if (order === 0) return undefined;
  return order < 0 ? without(readingTexts.endBefore) : inZone(end, isDay(start) ? 'UTC' : start.tzid);
}

/** The rule and the single dates, in the zone of the start; undefined where the rule is not understood. */
function repeatsOf(
  component: Component,
  { start, title, place }: Named & Readonly<{ place: string }>,
  reading: Reading,
): Pick<ReadEvent, 'rrule' | 'rdates' | 'exdates' | 'overrides'> | undefined {
  const rules = propertiesOf(component, 'RRULE');
  if (rules.length > 1) reading.warn(rules[1]!.line, title, readingTexts.twoRules);
  let rrule: string | undefined;
  if (rules[0]) {
    const read = readRule(rules[0].value, start);
    if (!read.ok) {
      reading.leaveOut(rules[0].line, title, read.why);
      return undefined;
    }
    rrule = read.rrule;
  }
  const periods: Period[] = [];
  const dates = (name: string): Moment[] =>
    propertiesOf(component, name).flatMap(({ value, params, line }) =>
      value.split(',').flatMap((part) => {
        const [from = '', until] = part.split('/');
        const read = readMoment({ value: from, params }, reading);
        if (!read.ok) {
          reading.warn(line, title, readingTexts.badExtra(part));
          return [];
        }
        const { moment } = read;
        if (isDay(start)) return [dayOf(moment)];
        // A day of a timed series is that day's occurrence.
        if (isDay(moment))
          return [{ wall: moment.toPlainDateTime(start.wall.toPlainTime()), tzid: start.tzid }];
        const at = inZone(moment, start.tzid);
        if (until !== undefined) periods.push({ at, until });
        return [at];
      }),
    );
  const exdates = dates('EXDATE');
  if (exdates.length > MOST_EXDATES) {
    // What is left out would take place.
    reading.leaveOut(component.line, title, readingTexts.manyExdates);
    return undefined;
  }
  const rdates = dates('RDATE');
  if (rdates.length > MOST_EXDATES) reading.warn(component.line, title, readingTexts.manyRdates);
  return {
    rrule,
    rdates: rdates.slice(0, MOST_EXDATES),
    exdates,
    overrides: lasting(periods, { title, place }, reading),
  };
}

type Period = Readonly<{ at: Moment; until: string }>;

/** Dates that were added as periods, each with its own length (RFC 5545 section 3.3.9): a time, or a duration. */
function lasting(
  periods: readonly Period[],
  { title, place }: Readonly<{ title: string; place: string }>,
  reading: Reading,
): ReadOverride[] {
  return periods.flatMap(({ at, until }) => {
    const params = new Map(isDay(at) ? [] : [['TZID', at.tzid]]);
    const read = until.startsWith('P') ? undefined : readMoment({ value: until, params }, reading);
    const end = read ? (read.ok ? read.moment : undefined) : afterDuration(at, until);
    if (!end || momentMs(end, 'UTC') <= momentMs(at, 'UTC')) return [];
    return [{ recurrenceId: at, title, place, start: at, end, cancelled: false }];
  });
}

const newer = (a: Single, b: Single) =>
  a.sequence !== b.sequence ? a.sequence > b.sequence : a.stamp > b.stamp;

/** One event for each UID, with its single occurrences; of two with one name the newer. */
function gathered(singles: readonly Single[], reading: Reading): ReadEvent[] {
  // A Map, since a UID may be any text, `__proto__` included.
  const byKey = new Map<string, Single>();
  for (const single of singles) {
    const at = single.recurrenceId ? String(momentMs(single.recurrenceId, 'UTC')) : '';
    const key = `${single.kind} ${at} ${single.uid}`;
    const known = byKey.get(key);
    if (known) reading.warn(single.line, single.title, readingTexts.newerTaken);
    if (!known || newer(single, known)) byKey.set(key, single);
  }
  const all = [...byKey.values()];
  const series = new Map(all.flatMap((s) => (s.recurrenceId ? [] : [[s.uid, s] as const])));
  const changes = groupBy(
    all.filter((single) => single.recurrenceId),
    ({ uid }) => uid,
  );
  // An occurrence whose series is not in the file stands for itself.
  const alone = [...changes].flatMap(([uid, list]) =>
    series.get(uid)?.rrule || series.get(uid)?.rdates.length
      ? []
      : list.map((single) => ({ ...single, uid: `${uid} ${momentText(single.recurrenceId!)}` })),
  );
  return [
    ...[...series.values()].map((single) => withOverrides(single, changes.get(single.uid) ?? [])),
    ...alone,
  ].map(({ recurrenceId: _, stamp: __, ...event }) => event);
}

function withOverrides(single: Single, changes: readonly Single[]): Single {
  if (!single.rrule && single.rdates.length === 0) return single;
  const tzid = isDay(single.start) ? undefined : single.start.tzid;
  const overrides = changes.map(
    ({ recurrenceId, title, place, start, end, cancelled, description, html }): ReadOverride => ({
      recurrenceId: tzid ? inZone(recurrenceId!, tzid) : dayOf(recurrenceId!),
      title,
      ...(description || html ? { text: { description, html } } : {}),
      place,
      start,
      end,
      cancelled,
    }),
  );
  // What the file says of one of them in a component of its own goes before the length of its period.
  const said = new Set(overrides.map((o) => momentMs(o.recurrenceId, 'UTC')));
  const periods = single.overrides.filter((o) => !said.has(momentMs(o.recurrenceId, 'UTC')));
  return { ...single, overrides: [...periods, ...overrides] };
}
