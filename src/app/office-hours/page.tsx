import type { Metadata } from 'next';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { redirect } from 'next/navigation';
import { isOnStaff } from '@/core/entries/viewer';
import { signupTexts } from '@/core/texts/signup';
import { termTexts } from '@/core/texts/term';
import { requireZone } from '@/core/time/zoneData';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { officeHours } from '@/ui/signup/sheetList';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import { termOnPage } from '../termOnPage';
import styles from './officeHours.module.css';

export const metadata: Metadata = { title: signupTexts.title };

export default async function OfficeHoursPage() {
  const actor = await signedInOr('/office-hours');
  if (!isOnStaff(actor.viewer)) redirect('/');
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, actor.viewer);
  const { term, beside } = await termOnPage(plan);
  const inTerm = new Set(plan.courses.filter((c) => beside.has(c.term)).map(({ id }) => id));
  const own = plan.sheets.filter(({ audience }) => audience.some(({ course }) => inTerm.has(course)));
  const { sheets, booked } = officeHours(
    { ...plan, sheets: own },
    { term, zoneOf: requireZone, now: pembit.now() },
  );
  return (
    <PageFrame actor={actor} plan={plan}>
      <div className={styles.heading}>
        <h1>{signupTexts.title}</h1>
        <Button variant="contained" href="/office-hours/new">
          {signupTexts.offer}
        </Button>
      </div>
      {sheets.length === 0 ? (
        <div className="empty">
          <h2>{signupTexts.emptyTitle}</h2>
          <p>{signupTexts.emptyLead}</p>
        </div>
      ) : (
        <div className={styles.columns}>
          <section aria-labelledby="booked">
            <h2 id="booked">{signupTexts.bookedTitle}</h2>
            {booked.length === 0 ? <p className="soft">{signupTexts.nobody}</p> : null}
            <ul className={styles.booked}>
              {booked.map((line) => (
                <li key={line.key}>
                  <span className="numbers">
                    {line.day}
                    <br />
                    {line.time}
                  </span>
                  <span>
                    <span className="tag" data-course={line.color}>
                      {line.tag}
                    </span>{' '}
                    <b>{line.name}</b>
                    <br />
                    <span className="soft">{line.note}</span>
                  </span>
                </li>
              ))}
            </ul>
          </section>
          <div className={styles.sheets}>
            {sheets.map((sheet) => (
              <section
                key={sheet.id}
                className="card"
                data-course={sheet.color}
                aria-label={`${sheet.tag} ${sheet.title}`}
              >
                <h2>
                  <span className="tag">{sheet.tag}</span>{' '}
                  <Link
                    href={`/office-hours/${sheet.id}`}
                    aria-label={signupTexts.open({ title: sheet.title })}
                  >
                    {sheet.title}
                  </Link>
                </h2>
                <p className="soft">
                  {[
                    sheet.draft
                      ? signupTexts.draft
                      : signupTexts.freeOf({ free: sheet.free, all: sheet.seats }),
                    sheet.place,
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </p>
                <ul className={styles.days}>
                  {sheet.days.map((day) => (
                    <li key={day.label}>
                      <span>{day.label}</span>
                      <span
                        className={styles.ruler}
                        role="img"
                        title={day.words}
                        aria-label={termTexts.rulerLabel({
                          taken: day.boxes.filter(Boolean).length,
                          all: day.boxes.length,
                        })}
                      >
                        {day.boxes.map((taken, i) => (
                          <span key={i} data-taken={taken} />
                        ))}
                      </span>
                    </li>
                  ))}
                </ul>
              </section>
            ))}
          </div>
        </div>
      )}
    </PageFrame>
  );
}
