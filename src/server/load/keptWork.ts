import type { CourseId } from '@/core/ids';
import type { DueWork } from '@/core/load/loadItems';
import type { StoredWork } from '@/data/load/loadRows';
import { examsIn, workIn } from '@/data/load/loadRows';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';

type CourseWork = Readonly<{ work: readonly StoredWork[]; exams: readonly DueWork[] }>;

/** As many as a large school has in a term: the students of any one of them take most of the others. */
const kept = keptReads<CourseWork>(240);

/**
 * What is due in some courses from a day on to another, both included: kept in memory course by course until something is
 * written that concerns the course. What several courses share is there once. In the order of the courses.
 */
export async function keptWork(
  pembit: Pembit,
  courses: readonly CourseId[],
  range: Readonly<{ from: string; to: string }>,
): Promise<CourseWork> {
  const missing: CourseId[] = [];
  let reading: Promise<ReadonlyMap<CourseId, CourseWork>> | undefined;
  const found = await Promise.all(
    courses.map((course) =>
      kept(
        pembit,
        `${course} ${range.from} ${range.to}`,
        async () => {
          missing.push(course);
          // All that are missing have said so by then, and are read at once.
          await Promise.resolve();
          reading ??= readWork(pembit, missing, range);
          return (await reading).get(course)!;
        },
        [`course:${course}`],
      ),
    ),
  );
  return {
    work: once(
      found.flatMap(({ work }) => work),
      ({ work }) => work.id,
    ),
    exams: found.flatMap(({ exams }) => exams),
  };
}

async function readWork(
  pembit: Pembit,
  courses: readonly CourseId[],
  range: Readonly<{ from: string; to: string }>,
): Promise<ReadonlyMap<CourseId, CourseWork>> {
  const [work, exams] = await Promise.all([workIn(pembit, courses, range), examsIn(pembit, courses)]);
  const read = new Map(
    courses.map((course) => [course, { work: [] as StoredWork[], exams: [] as DueWork[] }]),
  );
  for (const stored of work)
    for (const part of stored.work.audience) read.get(part.course)?.work.push(stored);
  for (const exam of exams) read.get(exam.audience[0]!.course)!.exams.push(exam);
  return read;
}

const once = <T>(list: readonly T[], keyOf: (one: T) => string): T[] => [
  ...new Map(list.map((one) => [keyOf(one), one])).values(),
];
