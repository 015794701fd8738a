import type { CourseId } from '@/core/ids';
import { ALARM } from '@/core/load/loadItem';
import { loadTexts } from '@/core/texts/load';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { courseLoad } from './courseLoad';

/** What else the students of a course have due on the day of a moment, in words; undefined outside the term. */
export async function dueWords(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  due: string,
): Promise<string | undefined> {
  const load = await courseLoad(pembit, actor, course, { alarm: ALARM - 1 });
  if (!load.ok) return undefined;
  const { dates, days, students } = load.value;
  const day = days[dates.findIndex((date) => due.startsWith(date.toString()))];
  return day && students > 0
    ? loadTexts.day({ concerned: day.concerned, students, alarmed: day.alarmed })
    : undefined;
}
