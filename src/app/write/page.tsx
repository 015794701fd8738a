import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { Temporal } from 'temporal-polyfill';
import type { CourseId, EntryId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import { messageTexts as say } from '@/core/texts/messages';
import { momentLabel } from '@/core/time/dateLabels';
import { zonedWallAt } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { writtenTo } from '@/server/messages/writeToStudents';
import { sharedPembit } from '@/server/pembit';
import { Link } from '@/ui/controls/Link';
import { WriteForm } from '@/ui/messages/WriteForm';
import styles from '@/ui/messages/WriteForm.module.css';
import { PageFrame } from '../PageFrame';
import { planPage } from '../planPage';

export const metadata: Metadata = { title: say.title };

type Search = Promise<Readonly<{ course?: string; entry?: string; term?: string }>>;

/** A letter to students, from wherever one stands: `/write?course=ID`, or about an entry `/write?entry=ID`. */
export default async function WritePage({ searchParams }: { searchParams: Search }) {
  const search = await searchParams;
  const { actor, plan, term, data } = await planPage(
    `/write?${new URLSearchParams({ ...search }).toString()}`,
    {},
    { everyTerm: true },
  );
  const found = plan.entries.find((e) => e.id === search.entry);
  const entry = found && found.kind !== 'note' ? found : undefined;
  const mayWrite = (id: string) => mayIn(actor, 'writeToStudents', id as CourseId);
  const courses = (data?.courses ?? []).filter(({ id }) => mayWrite(id));
  const parts = (entry?.audience ?? []).filter((part) => mayWrite(part.course));
  if (search.entry && parts.length === 0) notFound();
  const asked = parts[0]?.course ?? search.course;
  if (asked && !courses.some(({ id }) => id === asked)) {
    // A course of another term than the one that is looked at: the page speaks of its own.
    const own = plan.courses.find(({ id }) => id === asked);
    if (!own || own.term === search.term || !mayWrite(asked)) notFound();
    redirect(`/write?${entry ? `entry=${entry.id}` : `course=${own.id}`}&term=${own.term}`);
  }
  const course = courses.find(({ id }) => id === asked) ?? courses[0];
  if (!course || !term) redirect('/');
  const before = await writtenTo(sharedPembit(), actor, {
    course: course.id as CourseId,
    ...(entry ? { entry: entry.id as EntryId } : {}),
  });
  const when = (ms: number) =>
    momentLabel(zonedWallAt(requireZone(term.tzid), Temporal.Instant.fromEpochMilliseconds(ms)), plan.locale);
  return (
    <PageFrame actor={actor} plan={plan} everyTerm>
      <h1>{say.title}</h1>
      <p className="soft">{say.lead}</p>
      {entry ? (
        <p>
          <Link className="lone" href={`/e/${entry.id}`}>
            {say.about({ title: entry.title })}
          </Link>
        </p>
      ) : null}
      <WriteForm
        key={`${course.id} ${entry?.id}`}
        courses={entry ? courses.filter(({ id }) => parts.some((part) => part.course === id)) : courses}
        course={course.id}
        entry={
          entry
            ? {
                id: entry.id,
                asks: entry.kind === 'event' && entry.coming !== undefined,
                audiences: Object.fromEntries(
                  parts.map(({ course: of, sections = [], groups = [], people = [] }) => [
                    of,
                    { sections, groups, people },
                  ]),
                ),
              }
            : undefined
        }
      />
      <section className={styles.before} aria-labelledby="before">
        <h2 id="before">{say.before}</h2>
        {before.length === 0 ? <p className="soft">{say.none}</p> : null}
        <ul>
          {before.map((one) => (
            <li key={one.id}>
              <b>{one.subject}</b>{' '}
              <span className="soft">
                {[when(one.atMs), one.authorName, say.line({ n: one.told, audience: one.audience })]
                  .filter(Boolean)
                  .join(' · ')}
              </span>
              <p className={styles.text}>{one.body}</p>
            </li>
          ))}
        </ul>
      </section>
    </PageFrame>
  );
}
