import type { LoadItem } from './loadItem';

export type DayLoad = Readonly<{
  /** What is due of the courses of whoever looks. */
  own: readonly LoadItem[];
  /** How much of other courses is due, and the titles of those that are shared. */
  others: number;
  titles: readonly string[];
  /** How many of the students have something due. */
  concerned: number;
  /** How many have as much as the alarm, or more. */
  alarmed: number;
}>;

/** What falls due on each of so many days for so many students. */
export function loadByDay(
  items: readonly LoadItem[],
  { days, students, alarm }: Readonly<{ days: number; students: number; alarm: number }>,
): DayLoad[] {
  const weights = new Uint16Array(days * students);
  const own: LoadItem[][] = Array.from({ length: days }, () => []);
  const others = new Uint32Array(days);
  const titles: string[][] = own.map(() => []);
  for (const item of items) {
    if (item.due < 0 || item.due >= days || item.people.length === 0) continue;
    if (item.course !== undefined) own[item.due]!.push(item);
    else {
      others[item.due]! += 1;
      if (item.title) titles[item.due]!.push(item.title);
    }
    const row = item.due * students;
    for (const person of item.people) weights[row + person]! += item.weight;
  }
  return own.map((list, day) => {
    let concerned = 0;
    let alarmed = 0;
    for (let at = day * students; at < (day + 1) * students; at++) {
      if (weights[at]! > 0) concerned += 1;
      if (weights[at]! >= alarm) alarmed += 1;
    }
    return { own: list, others: others[day]!, titles: titles[day]!, concerned, alarmed };
  });
}
