import { Temporal } from 'temporal-polyfill';
import type { SharedFacts } from '../entries/facts';
import type { Material } from '../materials/material';
import type { ClassPlan } from '../plan/classPlan';
import type { Sheet } from '../signup/sheet';
import type { Carried, CarryLine, Carrying, CoursePlan } from './carry';
import { carriageOf } from './carriage';
import { carryClassPlans } from './carryClassPlans';
import { carryEntry } from './carryEntry';
import { carryMaterials } from './carryMaterials';
import { carrySheet } from './carrySheet';
import { onlyWeek } from './onlyWeek';

export type CarriedOver = Readonly<{
  /** One for everything that is planned, in the order of the old days. */
  lines: readonly CarryLine[];
  classPlans: readonly ClassPlan[];
  entries: readonly SharedFacts[];
  sheets: readonly Sheet[];
  materials: readonly Material[];
  /** What a teaching week is about, where the new course does not say. */
  themes: ReadonlyMap<number, string>;
}>;

const made = <T>(carried: readonly Carried<T>[]): T[] => carried.flatMap((c) => c.made ?? []);

/**
 * The plan of one course in another: what comes of everything, and what is to be made. The same choices give the same
 * lines, so that what is looked at is what is done. Bookings, replies, notes and whoever was named stay behind.
 */
export function carryOver(whole: CoursePlan, after: CoursePlan, carrying: Carrying): CarriedOver {
  const before = carrying.week === undefined ? whole : onlyWeek(whole, carrying.week);
  const bare = carriageOf(before, after, carrying, new Map());
  const { made: materials, idOf } = carryMaterials(before, after, { ...carrying, map: bare.mapOf() });
  const carriage = carriageOf(before, after, carrying, idOf);
  const plans = carryClassPlans(before, after, carrying, carriage);
  const entries = before.entries.flatMap((entry) =>
    entry.kind === 'note' ? [] : [carryEntry(entry, { before, after, carrying, carriage })],
  );
  const sheets = before.sheets.map((sheet) => carrySheet(sheet, before, after, carrying, carriage));
  const lines = [...plans, ...entries, ...sheets].map(({ line }) => line);
  return {
    lines: lines.sort(byOldDay),
    classPlans: made(plans),
    entries: made(entries),
    sheets: made(sheets),
    materials,
    themes: new Map([...before.course.themes].filter(([week]) => !after.course.themes.has(week))),
  };
}

function byOldDay(a: CarryLine, b: CarryLine): number {
  if (!a.from || !b.from) return a.from ? -1 : b.from ? 1 : 0;
  return Temporal.PlainDate.compare(a.from, b.from);
}
