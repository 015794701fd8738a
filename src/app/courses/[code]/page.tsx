import type { Metadata } from 'next';
import { Temporal } from 'temporal-polyfill';
import { Link } from '@/ui/controls/Link';
import { notFound } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { courseByKey } from '@/core/plan/courseNames';
import { carryTexts } from '@/core/texts/carryOver';
import { messageTexts } from '@/core/texts/messages';
import { scheduleTexts } from '@/core/texts/schedule';
import { packageTexts } from '@/core/texts/packages';
import { planFileTexts } from '@/core/texts/planFiles';
import { memberTexts } from '@/core/texts/members';
import { courseTexts, schoolTexts } from '@/core/texts/school';
import { dateLabel } from '@/core/time/dateLabels';
import { teachingWeeks } from '@/core/time/term';
import { requireZone } from '@/core/time/zoneData';
import { dayOf } from '@/core/time/zonedWall';
import { mayChangeStaff } from '@/server/frame/courseStaff';
import { membersByGroup } from '@/server/people/groups';
import { joiningAddress } from '@/server/people/joining';
import { arrangedIn } from '@/server/people/arrange';
import { lateComersIn } from '@/server/people/lateComers';
import { rosterOf } from '@/server/people/roster';
import { planSeenBy, wholePlanOf } from '@/server/plan/planSeenBy';
import { mayAskIn } from '@/server/questions/questionsOn';
import { sharedPembit } from '@/server/pembit';
import { startsForStaff } from '@/server/students/ownStart';
import { ArchiveControls } from '@/ui/school/ArchiveControls';
import { ClosureForm } from '@/ui/school/ClosureForm';
import { closureLines } from '@/ui/school/closureLines';
import { CourseFacts } from '@/ui/school/CourseFacts';
import { GroupsSection } from '@/ui/school/GroupsSection';
import { DriftSection } from '@/ui/school/DriftSection';
import { driftView } from '@/ui/school/driftView';
import { hitLines } from '@/ui/school/hitLines';
import { HitsSection } from '@/ui/school/HitsSection';
import { CourseSitesWhereUsed } from '@/ui/lti/CourseSitesWhereUsed';
import { courseSiteLines } from '@/ui/lti/courseSiteLines';
import { sitesOfCourse } from '@/server/lti/linkCourse';
import { JoiningSection } from '@/ui/school/JoiningSection';
import { OwnStartsSection } from '@/ui/school/OwnStartsSection';
import { RemovableList } from '@/ui/school/RemovableList';
import { ArrangementsSection } from '@/ui/school/ArrangementsSection';
import { LateSection } from '@/ui/school/LateSection';
import { QuestionsSection } from '@/ui/school/QuestionsSection';
import { RosterSection } from '@/ui/school/RosterSection';
import styles from '@/ui/school/School.module.css';
import { SectionCard } from '@/ui/school/SectionCard';
import { SectionForm } from '@/ui/school/SectionForm';
import { StaffSection } from '@/ui/school/StaffSection';
import { staffLine } from '@/ui/school/staffLine';
import { sectionView } from '@/ui/school/sectionView';
import { ThemesForm } from '@/ui/school/ThemesForm';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';
import { termOnPage } from '../../termOnPage';
import { titleOfPage } from '../../titleOfPage';

type Props = { params: Promise<{ code: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const code = decodeURIComponent((await params).code);
  return titleOfPage(courseTexts.roster, async (plan) => {
    const course = courseByKey(plan.courses, code, (await termOnPage(plan)).term);
    return course && `${course.code} ${course.title}`;
  });
}

/** A course for its staff: sections and their classes, closures of its own, the roster. */
export default async function CoursePage({ params }: Props) {
  const code = decodeURIComponent((await params).code);
  const actor = await signedInOr(`/courses/${encodeURIComponent(code)}`);
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, actor.viewer);
  const { term: shown, today } = await termOnPage(plan);
  const course = courseByKey(
    plan.courses.filter((c) => isStaffOf(actor.viewer, c.id)),
    code,
    shown,
  );
  const term = plan.terms.find((t) => t.id === course?.term);
  if (!course || !term) notFound();
  const arranged = await arrangedIn(pembit, actor, course.id);
  const [members, comers, inGroup, address, whole, asked, starts, sites] = await Promise.all([
    rosterOf(pembit, course.id),
    lateComersIn(pembit, actor, course.id),
    membersByGroup(pembit, course.id),
    joiningAddress(pembit, course.id),
    wholePlanOf(pembit, actor, course.id),
    mayAskIn(pembit, course.id),
    startsForStaff(pembit, plan, course.id),
    sitesOfCourse(pembit, actor, course.id),
  ]);
  const late = comers.map(({ person, name, came, work }) => ({
    person,
    open: work.length,
    text: memberTexts.late({
      name,
      day: dateLabel(came, 'short', plan.locale),
      titles: work.map(({ title, due }) => `${title} (${dateLabel(dayOf(due), 'dayMonth', plan.locale)})`),
    }),
  }));
  const mayChange = mayChangeStaff(actor, course.id);
  const nowMs = pembit.now().epochMilliseconds;
  const drift = whole && driftView(course, whole.classPlans, plan.locale);
  const hits = whole ? hitLines(whole, course.id, { zoneOf: requireZone, nowMs }) : [];
  const sectionNames = course.sections.map(({ id, name }) => ({ id, name }));
  const closures = plan.closures.filter((closure) => closure.term === term.id);
  return (
    <PageFrame actor={actor}>
      <h1>
        <span className="tag" data-course={course.color}>
          {course.tag}
        </span>{' '}
        {course.code} {course.title}
      </h1>
      <p className="soft">
        {[term.name, course.place, course.staff.map((person) => person.name).join(', ')]
          .filter(Boolean)
          .join(' · ')}
      </p>
      <p>
        <Link className="lone" href={`/carry-over?to=${course.id}`}>
          {carryTexts.open}
        </Link>
      </p>
      <p>
        <Link className="lone" href={`/schedule?course=${course.id}`}>
          {scheduleTexts.open}
        </Link>
      </p>
      <p>
        <Link className="lone" href={`/write?course=${course.id}`}>
          {messageTexts.link}
        </Link>
      </p>
      <CourseFacts
        course={{
          id: course.id,
          code: course.code,
          title: course.title,
          tag: course.tag,
          color: course.color,
          credits: course.credits === undefined ? '' : String(course.credits),
          weeklyHours: course.weeklyHours === undefined ? '' : String(course.weeklyHours),
          sharesTitles: course.sharesTitles,
          place: course.place,
          meetingLink: course.meetingLink,
        }}
      />
      <div className={styles.page}>
        <div className={styles.column}>
          {course.sections.map((section) => (
            <SectionCard
              key={section.id}
              section={sectionView(section, today, plan.locale)}
              others={sectionNames.filter(({ id }) => id !== section.id)}
              today={today.toString()}
            />
          ))}
          <SectionForm course={course.id} />
          <ThemesForm
            course={course.id}
            themes={teachingWeeks(term).map((week) => course.themes.get(week.number) ?? '')}
          />
        </div>
        <div className={styles.column}>
          <HitsSection course={course.id} hits={hits} />
          {drift ? <DriftSection course={course.id} drift={drift} /> : null}
          {late.length > 0 ? <LateSection course={course.id} late={late} /> : null}
          <RosterSection course={course.id} members={members} sections={sectionNames} locale={plan.locale} />
          {starts ? (
            <OwnStartsSection
              {...starts}
              sharing={starts.sharing.map((one) => ({
                ...one,
                on: dateLabel(Temporal.PlainDate.from(one.on), 'short', plan.locale),
              }))}
            />
          ) : null}
          <ArrangementsSection course={course.id} arranged={arranged} members={members} />
          <GroupsSection
            course={course.id}
            groups={course.groups.map(({ id, name }) => ({ id, name, people: inGroup.get(id) ?? [] }))}
            members={members}
          />
          <JoiningSection course={course.id} address={address} />
          {sites ? (
            <CourseSitesWhereUsed
              sites={courseSiteLines(sites, {
                zone: requireZone(term.tzid),
                locale: plan.locale,
                nameOf: (section) => sectionNames.find(({ id }) => id === section)?.name,
              })}
              mayEnd={mayChange}
            />
          ) : null}
          <StaffSection
            course={course.id}
            staff={course.staff.map((member) => staffLine(member, course.sections, plan.locale))}
            sections={sectionNames}
            mayChange={mayChange}
            self={actor.person.id}
          />
          <QuestionsSection
            course={course.id}
            open={asked}
            staff={course.staff
              .filter(({ id }) => id !== actor.person.id)
              .map(({ id, name }) => ({ id, name }))}
          />
          <section className={`card ${styles.section}`} aria-labelledby="closures">
            <h2 id="closures">{schoolTexts.closures}</h2>
            <RemovableList
              lines={closureLines(closures, plan.locale, (closure) => closure.course === course.id)}
              path="/api/closures"
              empty={schoolTexts.noClosures}
              removed="closure"
            />
            <ClosureForm
              terms={[{ id: term.id, name: term.name }]}
              course={course.id}
              sections={sectionNames}
            />
          </section>
          <section className={`card ${styles.section}`} aria-labelledby="file">
            <h2 id="file">{planFileTexts.title}</h2>
            <p className="soft">{planFileTexts.lead}</p>
            <p>
              <a className="lone" href={`/api/courses/${course.id}/plan`} download>
                {planFileTexts.save}
              </a>
            </p>
            <p>
              <a className="lone" href={`/api/courses/${course.id}/plan?outline=1`} download>
                {planFileTexts.saveOutline}
              </a>
            </p>
            <p className="soft">{planFileTexts.outlineLead}</p>
            <p>
              <a className="lone" href={`/api/courses/${course.id}/cartridge`} download>
                {packageTexts.save}
              </a>
            </p>
            <p className="soft">{packageTexts.saveLead}</p>
          </section>
          {mayChange ? (
            <section className={`card ${styles.section}`} aria-labelledby="archive">
              <h2 id="archive">{courseTexts.archive}</h2>
              <p className="soft">{course.archived ? courseTexts.archivedLead : courseTexts.archiveLead}</p>
              <ArchiveControls
                course={{ id: course.id, code: course.code, archived: course.archived }}
                afterDeleting="/courses"
              />
            </section>
          ) : null}
        </div>
      </div>
    </PageFrame>
  );
}
