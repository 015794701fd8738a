import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { publishTexts } from '@/core/texts/publish';
import { requireZone } from '@/core/time/zoneData';
import { outletUses } from '@/server/outlets/countReads';
import { courseChecks } from '@/server/outlets/courseChecks';
import { outletsFor } from '@/server/outlets/publish';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { packed } from '@/ui/controls/packed';
import { CourseCheck } from '@/ui/outlets/CourseCheck';
import { OutletList } from '@/ui/outlets/OutletList';
import { READ_DAYS, outletCard } from '@/ui/outlets/outletCardView';
import styles from '@/ui/outlets/Publish.module.css';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: publishTexts.title };

type Search = Promise<Readonly<{ new?: string; copied?: string; saved?: string }>>;

export default async function PublishPage({ searchParams }: { searchParams: Search }) {
  const search = await searchParams;
  const actor = await signedInOr('/publish');
  if (actor.viewer.staffOf.size === 0) redirect('/');
  const pembit = sharedPembit();
  const [plan, outlets] = await Promise.all([planSeenBy(pembit, actor.viewer), outletsFor(pembit, actor)]);
  const today = todayIn(pembit, plan);
  const uses = await outletUses(
    pembit,
    outlets.map(({ id }) => id),
    today.subtract({ days: READ_DAYS }),
  );
  const zone = requireZone(plan.terms[0]?.tzid ?? 'UTC');
  const { config } = pembit;
  const cards = outlets.map((outlet) =>
    outletCard(outlet, {
      courses: plan.courses,
      calendars: plan.calendars,
      use: uses.get(outlet.id),
      zone,
      today,
      locale: plan.locale,
      standins: config.standins ? `http://127.0.0.1:${config.standinsPort}` : undefined,
    }),
  );
  const taught = plan.courses.filter((course) => isStaffOf(actor.viewer, course.id) && !course.archived);
  const courses = await courseChecks(pembit, actor, taught, outlets);
  const made = outlets.find(({ id }) => id === search.new);
  return (
    <PageFrame actor={actor}>
      <h1>{publishTexts.title}</h1>
      <p className="soft">{publishTexts.lead}</p>
      {made ? (
        <p className="notice" role="status">
          {publishTexts.done(made.name, search.copied === '1')}
        </p>
      ) : search.saved ? (
        <p className="notice" role="status">
          {publishTexts.saved}
        </p>
      ) : null}
      <section aria-labelledby="before">
        <h2 id="before" className="visually-hidden">
          {publishTexts.courseTitle}
        </h2>
        <ul className={styles.courses}>
          {courses.map((course) => (
            <CourseCheck key={course.id} course={course} />
          ))}
        </ul>
      </section>
      <OutletList cards={packed(cards)} made={search.new ?? search.saved} />
    </PageFrame>
  );
}
