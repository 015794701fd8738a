import type { Temporal } from 'temporal-polyfill';
import type { SheetId, SlotId } from '../ids';
import type { Sheet, Slot } from '../signup/sheet';
import { isIn } from '../time/term';
import { toInstant, toWall } from '../time/zone';
import type { Carried, CarryLine, Carrying, CoursePlan } from './carry';
import type { Carriage } from './carriage';
import { closureOn } from './placeDay';

/**
 * A sheet with its times on the same weekdays and hours, without those on closures or outside the term. Nobody has taken
 * any, and it is not offered before its staff say so.
 */
export function carrySheet(
  sheet: Sheet,
  before: CoursePlan,
  after: CoursePlan,
  carrying: Carrying,
  carriage: Carriage,
): Carried<Sheet> {
  const choice = carrying.choices[sheet.id] ?? {};
  const day = (instant: Temporal.Instant) => toWall(before.zone, instant).toPlainDate();
  const base = {
    id: sheet.id,
    kind: 'sheet' as const,
    title: sheet.title,
    from: sheet.slots[0] && day(sheet.slots[0].interval.start),
    corrections: [],
    singles: 0,
  };
  const audience = carriage.audience(sheet.audience);
  if (!audience) return { line: { ...base, left: true, problem: 'namedOnly' } };
  const moved = (instant: Temporal.Instant): Temporal.Instant => {
    const wall = toWall(before.zone, instant);
    return toInstant(after.zone, carriage.byWeeks(wall.toPlainDate()).toPlainDateTime(wall.toPlainTime()));
  };
  const staff = after.course.staff.filter(({ id }) => sheet.hosts.some((host) => host.id === id));
  const hosts = (staff.length > 0 ? staff : [carrying.actor]).map(({ id, name }) => ({ id, name }));
  const slots = sheet.slots.flatMap((slot): Slot[] => {
    const to = carriage.byWeeks(day(slot.interval.start));
    if (!isIn(after.term, to) || closureOn(after, to)) return [];
    const { host, ...own } = slot;
    return [
      {
        ...own,
        id: carrying.newId() as SlotId,
        interval: { start: moved(slot.interval.start), end: moved(slot.interval.end) },
        ...(host && hosts.some(({ id }) => id === host) ? { host } : {}),
        bookings: [],
        waiting: [],
      },
    ];
  });
  const rule = (moment: Sheet['rules']['opens']) => {
    if (!moment) return undefined;
    const at = moved(moment.at);
    return { wall: { wall: toWall(after.zone, at), tzid: after.zone.tzid }, at };
  };
  const line: CarryLine = {
    ...base,
    to: slots[0] && toWall(after.zone, slots[0].interval.start).toPlainDate(),
    left: choice.leave === true || slots.length === 0,
    ...(slots.length === 0 ? { problem: 'pastEnd' as const } : {}),
    times: { now: slots.length, before: sheet.slots.length },
  };
  if (line.left) return { line };
  const made: Sheet = {
    ...sheet,
    id: carrying.newId() as SheetId,
    uid: carrying.newId(),
    audience,
    hosts,
    rules: {
      ...sheet.rules,
      opens: rule(sheet.rules.opens),
      closes: rule(sheet.rules.closes),
      links: sheet.rules.links.map(carriage.link),
    },
    offered: false,
    tzid: after.zone.tzid,
    sequence: 0,
    created: carrying.now,
    lastModified: carrying.now,
    uses: { count: 0 },
    slots,
  };
  return { line, made };
}
