import dynamic from 'next/dynamic';
import { Link } from '@/ui/controls/Link';
import type { ReactNode } from 'react';
import { Suspense } from 'react';
import { frameTexts } from '@/core/texts/frame';
import { ltiTexts } from '@/core/texts/lti';
import { Messages } from '../controls/Messages';
import type { SwitchCourse } from './CourseSwitches';
import { ConnectionNote } from './ConnectionNote';
import { DrawnFor } from './DrawnFor';
import { CourseSwitches } from './CourseSwitches';
import styles from './Frame.module.css';
import type { NavItem } from './navItem';
import { MoreNav } from './MoreNav';
import { NavLink } from './NavLink';
import { QuickLine } from '../quickline/QuickLine';
import { StayInFrame } from './StayInFrame';
import { SeeAsSelect } from './SeeAsSelect';
import type { TermChoice } from './termChoices';

// Fetched by those alone who have several terms.
const TermMenu = dynamic(() => import('./TermMenu').then((module) => module.TermMenu));

export type FramePerson = Readonly<{ name: string; initials: string; email: string }>;
type Props = Readonly<{
  person: FramePerson;
  nav: readonly NavItem[];
  /** Of what the pages speak: one term, or one of several. */
  terms?: Readonly<{ choices: readonly TermChoice[]; shown: string }>;
  courses?: readonly SwitchCourse[];
  seeAs?: Readonly<{ choices: readonly Readonly<{ key: string; label: string }>[]; chosen?: string }>;
  /** Wide pages use the whole width; the others keep a readable measure. */
  wide?: boolean;
  /** Students add private notes and nothing else. */
  notesOnly?: boolean;
  /** Whoever may have something to tell students of: the staff of a course, and the office. */
  tells?: boolean;
  /** The course's site inside which the page is shown. */
  from?: string;
  children: ReactNode;
}>;

/** The frame around every page: the column of words at the left (below, on a phone), term and courses at the top. */
export function Frame({
  person,
  nav,
  terms,
  courses = [],
  seeAs,
  wide = false,
  notesOnly = false,
  tells = false,
  from,
  children,
}: Props) {
  return (
    <Messages tells={tells}>
      <a className={styles.skip} href="#page">
        {frameTexts.skip}
      </a>
      <div className={styles.frame}>
        <header className={styles.top}>
          <Link href="/" className={styles.brand}>
            <span aria-hidden className={styles.mark} />
            {frameTexts.product}
          </Link>
          {terms && terms.choices.length > 1 ? (
            <Suspense>
              <TermMenu terms={terms.choices} shown={terms.shown} />
            </Suspense>
          ) : (
            terms?.choices.map(({ id, name }) => (
              <span key={id} className={styles.term}>
                {name}
              </span>
            ))
          )}
          <Suspense>{courses.length > 0 ? <CourseSwitches courses={courses} /> : null}</Suspense>
          <QuickLine notesOnly={notesOnly} />
          {seeAs && seeAs.choices.length > 0 ? (
            <Suspense>
              <SeeAsSelect {...seeAs} />
            </Suspense>
          ) : null}
          {from ? null : (
            <Link
              href="/account"
              className={styles.person}
              aria-label={frameTexts.account({ name: person.name })}
            >
              {person.initials}
            </Link>
          )}
        </header>
        <nav className={styles.nav} aria-label={frameTexts.navLabel}>
          {nav.map((item) => (
            <NavLink key={item.href} {...item} />
          ))}
          <MoreNav items={nav.filter(({ wideOnly }) => wideOnly)} />
        </nav>
        <main id="page" className={wide ? styles.wide : styles.page} tabIndex={-1}>
          <DrawnFor email={person.email} />
          {from ? (
            <p className={styles.from}>{ltiTexts.fromFor({ site: from, person: person.name })}</p>
          ) : null}
          {from ? <StayInFrame /> : null}
          <ConnectionNote bySite={from !== undefined} />
          {children}
        </main>
      </div>
    </Messages>
  );
}
