import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import type { Outlet } from '@/core/outlets/outlet';
import { publishTexts } from '@/core/texts/publish';
import { sharedTexts } from '@/core/texts/shared';
import { requireZone } from '@/core/time/zoneData';
import { outletUses } from '@/server/outlets/countReads';
import { courseChecks } from '@/server/outlets/courseChecks';
import { outletsFor } from '@/server/outlets/publish';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { packed } from '@/ui/controls/packed';
import { CourseCheck } from '@/ui/outlets/CourseCheck';
import { OutletList } from '@/ui/outlets/OutletList';
import { READ_DAYS, outletCard } from '@/ui/outlets/outletCardView';
import styles from '@/ui/outlets/Publish.module.css';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import { chosenTerm, termOnPage } from '../termOnPage';

export const metadata: Metadata = { title: publishTexts.title };

type Search = Promise<Readonly<{ new?: string; copied?: string; saved?: string }>>;

export default async function PublishPage({ searchParams }: { searchParams: Search }) {
  const search = await searchParams;
  const actor = await signedInOr('/publish');
  if (actor.viewer.staffOf.size === 0) redirect('/');
  const pembit = sharedPembit();
  const chosen = await chosenTerm();
  const [plan, outlets] = await Promise.all([planSeenBy(pembit, actor.viewer), outletsFor(pembit, actor)]);
  const { beside, today } = await termOnPage(plan);
  const uses = await outletUses(
    pembit,
    outlets.map(({ id }) => id),
    today.subtract({ days: READ_DAYS }),
  );
  const zone = requireZone(plan.terms[0]?.tzid ?? 'UTC');
  const { config } = pembit;
  const inTerm = new Set(plan.courses.filter((c) => beside.has(c.term)).map(({ id }) => id));
  const card = (outlet: (typeof outlets)[number]) =>
    outletCard(outlet, {
      courses: plan.courses,
      calendars: plan.calendars,
      use: uses.get(outlet.id),
      zone,
      today,
      locale: plan.locale,
      standins: config.standins ? `http://127.0.0.1:${config.standinsPort}` : undefined,
    });
  // What holds courses of other terms alone stays within reach.
  const isOther = (outlet: Outlet) =>
    outlet.audience !== 'personal' &&
    outlet.courses.length > 0 &&
    outlet.courses.every((id) => !inTerm.has(id));
  const others = outlets.filter(isOther);
  const taught = plan.courses.filter(
    (course) => inTerm.has(course.id) && isStaffOf(actor.viewer, course.id) && !course.archived,
  );
  const courses = await courseChecks(pembit, actor, taught, outlets, chosen);
  const shownAs = search.new ?? search.saved;
  const made = outlets.find(({ id }) => id === search.new);
  return (
    <PageFrame actor={actor}>
      <h1>{publishTexts.title}</h1>
      <p className="soft">{publishTexts.lead}</p>
      <p>
        <Link className="lone" href="/publish/all">
          {sharedTexts.link}
        </Link>
      </p>
      {made ? (
        <p className="notice" role="status">
          {publishTexts.done({ name: made.name, copied: search.copied === '1' })}
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
      <OutletList cards={packed(outlets.filter((one) => !isOther(one)).map(card))} made={shownAs} />
      {others.length > 0 ? (
        <details className={styles.others} open={others.some(({ id }) => id === shownAs)}>
          <summary>{publishTexts.otherTerms({ n: others.length })}</summary>
          <OutletList cards={packed(others.map(card))} made={shownAs} />
        </details>
      ) : null}
    </PageFrame>
  );
}
