import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { classPath } from '@/core/plan/classPath';
import { classTitle, occurrencesOf } from '@/core/plan/occurrences';
import { termOfCourse } from '@/core/plan/seenPlan';
import { daySheetTexts as say } from '@/core/texts/daySheet';
import { requireZone } from '@/core/time/zoneData';
import { filesInPlace } from '@/server/materials/filesInPlace';
import { materialsSeenBy } from '@/server/materials/materialsSeenBy';
import { questionsOn } from '@/server/questions/questionsOn';
import { QuestionsPart } from '@/ui/questions/QuestionsPart';
import { whomToAsk } from '@/server/students/whomToAsk';
import { WhomToAsk } from '@/ui/student/WhomToAsk';
import type { MeetingId } from '@/core/ids';
import { closureTitle } from '@/core/plan/closureTitle';
import { dateLabel } from '@/core/time/dateLabels';
import type { LostClass } from '@/server/plan/lostClass';
import { lostClass } from '@/server/plan/lostClass';
import type { SignedIn } from '@/server/session/session';
import { sharedPembit } from '@/server/pembit';
import { Link } from '@/ui/controls/Link';
import { classPageView } from '@/ui/daySheet/classPageView';
import styles from '@/ui/daySheet/DaySheet.module.css';
import { linkedIn } from '@/ui/daySheet/daySheetView';
import { Sheet } from '@/ui/daySheet/Sheet';
import { FilesInPlace } from '@/ui/materials/PlayHere';
import { PageFrame } from '../../PageFrame';
import { planPage } from '../../planPage';
import { titleOfPage } from '../../titleOfPage';

type Props = {
  params: Promise<{ meeting: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
};

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const id = decodeURIComponent((await params).meeting);
  return titleOfPage(say.classPage, ({ classes }) => {
    const seen = classes.find(({ meeting }) => meeting.id === id);
    return seen && `${seen.course.tag} ${seen.plan?.title ?? classTitle(seen)}`;
  });
}

/** Where a class was that a closure or another week has taken away: its day, and why. */
function GoneClass({ lost, actor, locale }: { lost: LostClass; actor: SignedIn; locale: string }) {
  const { course, date, closure } = lost;
  return (
    <PageFrame actor={actor}>
      <h1>{say.goneClass({ tag: course.tag, day: dateLabel(date, 'long', locale) })}</h1>
      <p>{closure ? say.goneFor({ closure: closureTitle(closure.name, closure, locale) }) : say.goneMoved}</p>
      <p>
        <Link className="lone" href={`/day/${date.toString()}`}>
          {say.goneDay}
        </Link>
      </p>
    </PageFrame>
  );
}

/** One class by its address, which stays when the class moves: its plan, its place, the way in, what is set and due that day. */
export default async function ClassPage({ params, searchParams }: Props) {
  const id = decodeURIComponent((await params).meeting);
  const { actor, plan, viewer, mayMove, data } = await planPage(classPath(id), await searchParams, {
    everyTerm: true,
  });
  const seen = plan.classes.find(({ meeting }) => meeting.id === id);
  if (!seen) {
    const lost = lostClass(plan, id as MeetingId);
    return lost ? <GoneClass lost={lost} actor={actor} locale={plan.locale} /> : notFound();
  }
  const pembit = sharedPembit();
  const view = classPageView(seen, {
    plan,
    term: termOfCourse(plan, seen.course.id),
    // Of an archived course as well: its classes stay where their addresses lead.
    occurrences: occurrencesOf(plan, requireZone),
    materials: await materialsSeenBy(pembit, viewer),
    mayMove,
    at: { now: pembit.now(), zoneOf: requireZone },
  });
  const files = await filesInPlace(pembit, linkedIn(view.sheet));
  const asked = await questionsOn(pembit, actor, plan, id);
  const tzid = termOfCourse(plan, seen.course.id)?.tzid ?? 'UTC';
  const asks = seen.asStaff ? undefined : await whomToAsk(pembit, plan, [seen.course.id]);
  return (
    <PageFrame actor={actor}>
      <div className={styles.page}>
        <p className="soft">{view.sheet.where}</p>
        <h1>{view.sheet.heading}</h1>
        <FilesInPlace files={files}>
          <Sheet view={view.sheet} ofClass />
        </FilesInPlace>
        {asks ? <WhomToAsk {...asks} plan={plan} zoneOf={requireZone} /> : null}
        {asked ? <QuestionsPart about={id} on={asked} plan={plan} tzid={tzid} zoneOf={requireZone} /> : null}
        <nav className={styles.around} aria-label={say.classesAround}>
          {view.previous ? <Link href={view.previous.href}>{view.previous.words}</Link> : null}
          {view.next ? <Link href={view.next.href}>{view.next.words}</Link> : null}
          <Link href={view.day}>{data && !data.notesOnly ? say.planOnDay : say.wholeDay}</Link>
        </nav>
      </div>
    </PageFrame>
  );
}
