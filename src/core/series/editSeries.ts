import type { EventFacts } from '../entries/facts';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay, momentText } from '../time/zonedWall';
import { expandSeries } from './expand';
import type { Override, Recurrence } from './recurrence';
import { overrideAt } from './recurrence';
import { endingOn, ruleParts } from './rule';

export type Series = EventFacts & Readonly<{ recurrence: Recurrence }>;
export const isSeries = <E extends EventFacts>(entry: E): entry is E & Series =>
  entry.recurrence !== undefined;

const same = (a: Moment, b: Moment) => momentText(a) === momentText(b);
const before = (a: Moment, b: Moment) => momentText(a) < momentText(b);

/** Everything a series has ever named, skipped ones included, up to ten years: what recurrence ids are counted by. */
function allIds(entry: Series): Moment[] {
  const first = dayOf(entry.when.start);
  const plain = { ...entry.recurrence, exdates: [], closed: [] };
  return expandSeries(entry.when.start, plain, { from: first, to: first.add({ years: 10 }) }).map(
    (instance) => instance.recurrenceId,
  );
}

export const hasOccurrence = (entry: Series, recurrenceId: Moment): boolean =>
  expandSeries(entry.when.start, entry.recurrence, {
    from: dayOf(recurrenceId),
    to: dayOf(recurrenceId),
  }).some((instance) => same(instance.recurrenceId, recurrenceId));

const withRecurrence = <S extends Series>(entry: S, recurrence: Partial<Recurrence>): S => ({
  ...entry,
  recurrence: { ...entry.recurrence, ...recurrence },
});

/** One occurrence made different: what is given replaces what was different before. */
export function overrideOccurrence<S extends Series>(
  entry: S,
  recurrenceId: Moment,
  changes: Omit<Override, 'recurrenceId'>,
): S {
  const others = entry.recurrence.overrides.filter((o) => !same(o.recurrenceId, recurrenceId));
  const old = overrideAt(entry.recurrence, recurrenceId);
  const override: Override = { ...old, ...changes, recurrenceId };
  const plain = Object.entries(override).filter(([, value]) => value !== undefined);
  const kept = plain.length > 1 ? [Object.fromEntries(plain) as Override] : [];
  return withRecurrence(entry, {
    overrides: [...others, ...kept].sort((a, b) => (before(a.recurrenceId, b.recurrenceId) ? -1 : 1)),
  });
}

/** One occurrence gone. */
export const skipOccurrence = <S extends Series>(entry: S, recurrenceId: Moment): S =>
  withRecurrence(entry, {
    exdates: [...entry.recurrence.exdates.filter((at) => !same(at, recurrenceId)), recurrenceId].sort(
      (a, b) => (before(a, b) ? -1 : 1),
    ),
    overrides: entry.recurrence.overrides.filter((o) => !same(o.recurrenceId, recurrenceId)),
  });

/** The series up to an occurrence, which is no longer in it. Undefined when nothing would be left. */
export function endBefore<S extends Series>(entry: S, recurrenceId: Moment): S | undefined {
  if (!before(entry.when.start, recurrenceId)) return undefined;
  return withRecurrence(entry, {
    rrule: endingOn(entry.recurrence.rrule, dayOf(recurrenceId).subtract({ days: 1 })),
    exdates: entry.recurrence.exdates.filter((at) => before(at, recurrenceId)),
    overrides: entry.recurrence.overrides.filter((o) => before(o.recurrenceId, recurrenceId)),
  });
}

/** What of a rule is left from an occurrence on: a COUNT is what remains of it. */
export function ruleFrom(entry: Series, recurrenceId: Moment): string {
  const count = ruleParts(entry.recurrence.rrule).get('COUNT');
  if (!count) return entry.recurrence.rrule;
  const passed = allIds(entry).filter((id) => before(id, recurrenceId)).length;
  return entry.recurrence.rrule.replace(/COUNT=\d+/, `COUNT=${Math.max(1, Number(count) - passed)}`);
}

/**
 * A moment of the old series as one of the new: some days on, at the new series' time of day. Days and wall times follow
 * what the new series has.
 */
function carried(moment: Moment, days: number, begins: Moment): Moment {
  const day = dayOf(moment).add({ days });
  return isDay(begins) ? day : { ...begins, wall: day.toPlainDateTime(begins.wall.toPlainTime()) };
}

/** The later part of a series after it was split at `recurrenceId`: what differed later moves along by date. */
export function continued<S extends Series>(before_: Series, recurrenceId: Moment, after: S): S {
  const days = dayOf(recurrenceId).until(dayOf(after.when.start), { largestUnit: 'days' }).days;
  const later = (at: Moment) => !before(at, recurrenceId);
  return withRecurrence(after, {
    exdates: before_.recurrence.exdates.filter(later).map((at) => carried(at, days, after.when.start)),
    overrides: before_.recurrence.overrides
      .filter((o) => later(o.recurrenceId))
      .map((o) => ({ ...o, recurrenceId: carried(o.recurrenceId, days, after.when.start) })),
  });
}

/**
 * A series under another rule or start: what was skipped or differed is matched in order, the third to the third. `lost`
 * are those without a partner.
 */
export function remapped<S extends Series>(
  before_: Series,
  after: S,
): { series: S; lost: readonly Moment[] } {
  const old = allIds(before_).map(momentText);
  const fresh = allIds(after);
  const partner = (at: Moment) => {
    const index = old.indexOf(momentText(at));
    return index < 0 ? undefined : fresh[index];
  };
  const { exdates, overrides } = before_.recurrence;
  const lost = [...exdates, ...overrides.map((o) => o.recurrenceId)].filter((at) => !partner(at));
  return {
    series: withRecurrence(after, {
      exdates: exdates.flatMap((at) => partner(at) ?? []),
      overrides: overrides.flatMap((o) => {
        const recurrenceId = partner(o.recurrenceId);
        return recurrenceId ? [{ ...o, recurrenceId }] : [];
      }),
    }),
    lost,
  };
}

/** A start and end of one occurrence, moved by days. */
export function shiftedOccurrence<S extends Series>(entry: S, recurrenceId: Moment, days: number): S {
  const old = overrideAt(entry.recurrence, recurrenceId);
  const by = (at: Moment): Moment => (isDay(at) ? at.add({ days }) : { ...at, wall: at.wall.add({ days }) });
  return overrideOccurrence(entry, recurrenceId, {
    start: by(old?.start ?? recurrenceId),
    end: old?.end && by(old.end),
  });
}
