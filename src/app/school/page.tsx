import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { planFileTexts } from '@/core/texts/planFiles';
import { officeTexts } from '@/core/texts/office';
import { schoolTableTexts } from '@/core/texts/schoolTables';
import { schoolTexts } from '@/core/texts/school';
import { dateLabel } from '@/core/time/dateLabels';
import { currentTerm, teachingWeeks } from '@/core/time/term';
import { USED_DAYS, officePage } from '@/server/people/officePage';
import { lettersSoFar } from '@/server/history/lettersSoFar';
import { schoolFrame } from '@/server/frame/schoolFrame';
import { outboxOf } from '@/server/mail/failedMail';
import { teachingPeople } from '@/server/people/people';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { Link } from '@/ui/controls/Link';
import { ArchiveControls } from '@/ui/school/ArchiveControls';
import { BringPlan } from '@/ui/school/BringPlan';
import { ClosureForm } from '@/ui/school/ClosureForm';
import { closureLines, siteDateLines } from '@/ui/school/closureLines';
import { CourseForm } from '@/ui/school/CourseForm';
import { CourseLines } from '@/ui/school/CourseLines';
import { LettersSection } from '@/ui/school/LettersSection';
import { PeopleSection } from '@/ui/school/PeopleSection';
import { CorrectionsSection } from '@/ui/school/CorrectionsSection';
import { OfficeLog } from '@/ui/school/OfficeLog';
import { officeLogLine } from '@/ui/school/officeLogLine';
import { OfficialRosters } from '@/ui/school/OfficialRosters';
import { RemovableList } from '@/ui/school/RemovableList';
import styles from '@/ui/school/School.module.css';
import { SettingsForm } from '@/ui/school/SettingsForm';
import { SiteDateForm } from '@/ui/school/SiteDateForm';
import { UsageSection } from '@/ui/school/UsageSection';
import { TermDeletion } from '@/ui/school/TermDeletion';
import { TermForm } from '@/ui/school/TermForm';
import { cycleDraft, NO_CYCLE } from '@/ui/school/cycleDraft';
import { ownAddresses, platformsFor } from '@/server/lti/platforms';
import { Platforms } from '@/ui/lti/Platforms';
import { LettersSoFar } from '@/ui/today/LettersSoFar';
import { requireZone } from '@/core/time/zoneData';
import { rosterReports } from '@/server/people/keepRosters';
import { rosterReadingLines } from '@/ui/school/rosterReadingLines';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: schoolTexts.title };

/** The administrator's page: the frame in which courses are planned. */
export default async function SchoolPage() {
  const actor = await signedInOr('/school');
  if (!actor.person.isAdmin) redirect('/');
  const pembit = sharedPembit();
  const [{ settings, terms, closures, siteDates, courses }, people, letters, soFar, reports, platforms] =
    await Promise.all([
      schoolFrame(pembit),
      teachingPeople(pembit),
      outboxOf(pembit),
      lettersSoFar(pembit, actor),
      rosterReports(pembit, actor, 8),
      platformsFor(pembit, actor),
    ]);
  const rosterCourses = courses
    .filter((course) => !course.archived)
    .map((course) => ({
      id: course.id,
      name: `${course.code} ${course.title}`,
      sections: course.sections.map(({ id, name }) => ({ id, name })),
    }));
  const now = currentTerm(terms, todayIn(pembit, { terms }));
  const office = await officePage(pembit, now?.tzid ?? 'Etc/UTC');
  const taken = Object.fromEntries(
    courses.filter((course) => course.term === now?.id).map((course) => [course.color, course.tag]),
  );
  const readings = rosterReadingLines(
    reports.ok ? reports.value : { source: 'none', readings: [] },
    requireZone(now?.tzid ?? 'Etc/UTC'),
    settings.locale,
  );
  const names = terms.map((term) => ({ id: term.id, name: term.name }));
  return (
    <PageFrame actor={actor}>
      <h1>{settings.name || schoolTexts.title}</h1>
      <LettersSoFar lines={soFar} />
      <SettingsForm settings={settings} used={office.megabytes} />
      <div className={styles.page}>
        <div className={styles.column}>
          <section className={styles.section} aria-labelledby="terms">
            <h2 id="terms">{schoolTexts.terms}</h2>
            <ul className={styles.list}>
              {terms.map((term) => (
                <li key={term.id}>
                  <span>
                    <b>{term.name}</b>
                    <br />
                    <span className="soft">
                      {schoolTexts.termLine({
                        from: dateLabel(term.startsOn, 'short', settings.locale),
                        to: dateLabel(term.endsOn, 'short', settings.locale),
                        weeks: teachingWeeks(term).length,
                        zone: term.tzid,
                      })}
                    </span>
                    <br />
                    <a className="lone" href={`/api/terms/${term.id}/plan`} download>
                      {planFileTexts.saveTerm({ term: term.name })}
                    </a>
                    <TermDeletion term={{ id: term.id, name: term.name }} />
                  </span>
                </li>
              ))}
            </ul>
            {terms.map((term) => (
              <TermForm
                key={`${term.id} ${term.name} ${term.startsOn} ${term.endsOn} ${term.tzid} ${JSON.stringify(term.cycle)}`}
                term={term.id}
                fields={{
                  name: term.name,
                  startsOn: term.startsOn.toString(),
                  endsOn: term.endsOn.toString(),
                  tzid: term.tzid,
                  cycle: cycleDraft(term.cycle),
                }}
              />
            ))}
            <TermForm
              fields={{ name: '', startsOn: '', endsOn: '', tzid: now?.tzid ?? 'Etc/UTC', cycle: NO_CYCLE }}
            />
          </section>
          <section className={styles.section} aria-labelledby="closures">
            <h2 id="closures">{schoolTexts.closures}</h2>
            <RemovableList
              lines={closureLines(closures, settings.locale, () => true)}
              path="/api/closures"
              empty={schoolTexts.noClosures}
              removed="closure"
            />
            <ClosureForm terms={names} />
          </section>
          <section className={styles.section} aria-labelledby="site-dates">
            <h2 id="site-dates">{schoolTexts.siteDates}</h2>
            <RemovableList
              lines={siteDateLines(siteDates, settings.locale)}
              path="/api/site-dates"
              empty={schoolTexts.noSiteDates}
              removed="siteDate"
            />
            <SiteDateForm terms={names} />
          </section>
        </div>
        <div className={styles.column}>
          <section className={styles.section} aria-labelledby="courses">
            <h2 id="courses">{schoolTexts.courses}</h2>
            <CourseLines
              courses={courses}
              linked={(course) => isStaffOf(actor.viewer, course.id)}
              acts={({ id, code, archived }) => <ArchiveControls course={{ id, code, archived }} />}
            />
            <CourseForm
              terms={names}
              people={people.map(({ id, name: personName }) => ({ id, name: personName }))}
              taken={taken}
            />
            <p>
              <Link className="lone" href="/school/tables">
                {schoolTableTexts.open}
              </Link>
            </p>
            <BringPlan people={people.map(({ id, name: personName }) => ({ id, name: personName }))} />
          </section>
          <PeopleSection
            people={people.map((person) => ({
              ...person,
              waiting: person.waiting === 1,
              isAdmin: person.isAdmin === 1,
              deactivated: person.deactivated === 1,
              secondStep: person.secondStep === 1,
            }))}
          />
          <CorrectionsSection
            corrections={office.corrections.map(({ id, course, name, email, was }) => ({
              id,
              name: was.name,
              words: officeTexts.correction({
                course,
                was: `${was.name}, ${was.email}`,
                would: `${name}, ${email}`,
              }),
            }))}
          />
          <Platforms platforms={platforms.ok ? platforms.value : []} addresses={ownAddresses(pembit)} />
          <OfficialRosters courses={rosterCourses} readings={readings} />
          <UsageSection days={USED_DAYS} megabytes={office.megabytes} used={office.used} />
          <LettersSection letters={letters} />
          <OfficeLog lines={office.log.map((line) => officeLogLine(line, settings.locale))} />
        </div>
      </div>
    </PageFrame>
  );
}
