import { isOnStaff } from '@/core/entries/viewer';
import type { ReactNode } from 'react';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { frameTexts } from '@/core/texts/frame';
import type { TermId } from '@/core/ids';
import { courseNames } from '@/core/plan/courseNames';
import { isShownOnSites } from '@/core/lti/target';
import { suddenClosures } from '@/core/plan/suddenClosures';
import { requireZone } from '@/core/time/zoneData';
import { termDays, termsInSight } from '@/core/time/term';
import { findingsOf } from '@/server/checks/findings';
import { failedMailOf } from '@/server/mail/failedMail';
import { schoolNotice } from '@/server/frame/settings';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import type { SignedIn } from '@/server/session/session';
import { DayFrame } from '@/ui/days/DayFrame';
import { Frame } from '@/ui/frame/Frame';
import type { NavItem } from '@/ui/frame/navItem';
import { termChoices } from '@/ui/frame/termChoices';
import { chosenTerm, termOnPage } from './termOnPage';

const { nav } = frameTexts;
const STAFF_NAV: readonly NavItem[] = [
  { href: '/today', label: nav.today },
  { href: '/term', label: nav.term },
  { href: '/week', label: nav.week, wideOnly: true },
  { href: '/everything', label: nav.everything },
  { href: '/checks', label: nav.checks, wideOnly: true },
  { href: '/load', label: nav.load, wideOnly: true },
  { href: '/materials', label: nav.materials, wideOnly: true },
  { href: '/office-hours', label: nav.officeHours },
  { href: '/publish', label: nav.publish, wideOnly: true },
  { href: '/calendars', label: nav.calendars, wideOnly: true },
  { href: '/courses', label: nav.courses, wideOnly: true },
];
/** Whoever helps in courses reads their plan, and holds hours. */
const HELPER_NAV: readonly NavItem[] = STAFF_NAV.filter(({ href }) =>
  ['/today', '/term', '/week', '/everything', '/office-hours'].includes(href),
);
const STUDENT_NAV: readonly NavItem[] = [
  { href: '/next', label: nav.next },
  { href: '/due', label: nav.due, wideOnly: true },
  { href: '/term', label: nav.term },
  { href: '/materials', label: nav.materials, wideOnly: true },
  { href: '/sign-up', label: nav.signUp },
  { href: '/subscribe', label: nav.subscribe },
];

const initialsOf = (name: string) =>
  name
    .split(/\s+/)
    .map((word) => word[0] ?? '')
    .slice(0, 2)
    .join('')
    .toUpperCase();

/** What can be switched on and off in a view: courses by their tags, outside calendars by their names. */
function switchesOf({ courses, terms, calendars }: SeenPlan, of: ReadonlySet<TermId>) {
  const keys = courseNames(courses, terms);
  const shown = courses.filter(({ term, archived }) => !archived && of.has(term));
  const names = courseNames(shown, terms);
  return [
    ...shown.map(({ id, tag, color }) => ({
      tag,
      color,
      key: keys.get(id)!.key,
      title: names.get(id)!.title,
    })),
    ...calendars
      .filter(({ beside }) => courses.some((course) => of.has(course.term) && beside.includes(course.id)))
      .map(({ id, name }) => ({ key: id, tag: '', title: name, color: '' })),
  ];
}

/** The frame for whoever is signed in; `plan` brings the course tags to the top, of `everyTerm` in sight or of the one looked at. */
export async function PageFrame({
  actor,
  plan,
  wide,
  everyTerm = false,
  seeAs,
  children,
}: {
  actor: SignedIn;
  plan?: SeenPlan;
  wide?: boolean;
  everyTerm?: boolean;
  seeAs?: Parameters<typeof Frame>[0]['seeAs'];
  children: ReactNode;
}) {
  const { person, viewer } = actor;
  const items = [
    ...(viewer.staffOf.size > 0 ? STAFF_NAV : isOnStaff(viewer) ? HELPER_NAV : []),
    ...(person.isAdmin
      ? [
          { href: '/school', label: nav.school },
          ...(viewer.staffOf.size === 0 ? [{ href: '/calendars', label: nav.calendars }] : []),
        ]
      : []),
    ...(viewer.memberOf.size > 0
      ? isOnStaff(viewer)
        ? STUDENT_NAV.filter(({ href }) => !STAFF_NAV.some((own) => own.href === href)).map((item) =>
            item.href === '/sign-up' ? { ...item, label: nav.signUpToo } : item,
          )
        : STUDENT_NAV
      : []),
    { href: '/help', label: nav.help, wideOnly: true },
  ];
  const chosen = await chosenTerm();
  const [failed, { open }] = await Promise.all([
    failedMailOf(sharedPembit(), actor),
    findingsOf(sharedPembit(), actor, chosen),
  ]);
  const seen = plan ?? (await planSeenBy(sharedPembit(), viewer));
  const { term, beside, today } = await termOnPage(seen);
  const notice = await schoolNotice(sharedPembit());
  const sudden = [...(notice ? [notice] : []), ...suddenClosures(seen, sharedPembit().now(), requireZone)];
  const inSight = everyTerm ? termsInSight(seen.terms, today) : beside;
  return (
    <DayFrame today={today.toString()} locale={seen.locale} term={term && termDays(term)}>
      <Frame
        person={{ name: person.name, initials: initialsOf(person.name), email: person.email }}
        nav={items
          .filter(({ href }) => !actor.site || isShownOnSites(href))
          .map((item) => (item.href === '/checks' ? { ...item, count: open.length } : item))}
        terms={term && { choices: termChoices(seen.terms, { today, locale: seen.locale }), shown: term.id }}
        courses={plan && switchesOf(plan, inSight)}
        wide={wide}
        notesOnly={viewer.staffOf.size === 0}
        tells={isOnStaff(viewer) || person.isAdmin}
        seeAs={seeAs}
        from={actor.site?.name}
      >
        {sudden.length > 0 ? (
          <div className="notice" role="status">
            {sudden.map((line) => (
              <p key={line}>
                <b>{line}</b>
              </p>
            ))}
          </div>
        ) : null}
        {failed.length > 0 ? (
          <div className="notice" role="status">
            {failed.map((letter) => (
              <p key={`${letter.recipient} ${letter.subject}`}>
                {frameTexts.mailFailed({
                  to: letter.recipient,
                  subject: letter.subject,
                  error: letter.error,
                })}
              </p>
            ))}
          </div>
        ) : null}
        {children}
      </Frame>
    </DayFrame>
  );
}
