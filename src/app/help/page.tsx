import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { accessTexts } from '@/core/texts/access';
import { helpTexts as say } from '@/core/texts/help';
import styles from '@/ui/help/Help.module.css';
import { MarksLegend } from '@/ui/help/MarksLegend';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: say.title };

const { keys } = say;
const KEYS: readonly (readonly [names: readonly string[], what: string, staff?: true])[] = [
  [['←', '↑', '↓', '→'], keys.term],
  [['Enter'], keys.into],
  [['A letter'], keys.type],
  [['Alt + ←', '↑', '↓', '→'], keys.move, true],
  [['Ctrl + click'], keys.several, true],
  [['Home', 'End'], keys.ends],
  [['←', '↑', '↓', '→', 'Enter'], keys.line, true],
  [['Alt + ←', '↑', '↓', '→'], keys.outline, true],
  [['Enter'], keys.shelf, true],
  [['Esc'], keys.out],
];

/** How Pembit is used, for staff or for students: one page. */
export default async function HelpPage() {
  const actor = await signedInOr('/help');
  const staff = actor.viewer.staffOf.size > 0 || actor.person.isAdmin;
  const parts = staff ? say.order : say.student;
  return (
    <PageFrame actor={actor}>
      <div className={styles.page}>
        <h1>{say.title}</h1>
        <section aria-labelledby="order">
          <h2 id="order">{staff ? say.staffOrder : say.studentOrder}</h2>
          <ol className={styles.parts}>
            {parts.map(({ what, how, href }) => (
              <li key={what}>
                {href ? <Link href={href}>{what}</Link> : <b>{what}</b>}
                <br />
                <span className="soft">{how}</span>
              </li>
            ))}
          </ol>
        </section>
        <section aria-labelledby="marks">
          <h2 id="marks">{say.marksTitle}</h2>
          <p className="soft">{say.marksLead}</p>
          <MarksLegend staff={staff} />
        </section>
        {staff ? (
          <section aria-labelledby="quick">
            <h2 id="quick">{say.quickTitle}</h2>
            <p className="soft">{say.quickLead}</p>
            <dl className={styles.lines}>
              {say.quick.map(({ line, means }) => (
                <div key={line}>
                  <dt>
                    <code>{line}</code>
                  </dt>
                  <dd>{means}</dd>
                </div>
              ))}
            </dl>
          </section>
        ) : null}
        <section aria-labelledby="keys">
          <h2 id="keys">{say.keysTitle}</h2>
          <p className="soft">{say.keysLead}</p>
          <dl className={`${styles.lines} ${styles.keys}`}>
            {KEYS.filter(([, , only]) => staff || !only).map(([names, what]) => (
              <div key={what}>
                <dt>
                  {names.map((name) => (
                    <span key={name}>
                      <kbd>{name}</kbd>{' '}
                    </span>
                  ))}
                </dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
        </section>
        <section aria-labelledby="undo">
          <h2 id="undo">{say.undoTitle}</h2>
          <p>{say.undo}</p>
        </section>
        <p>
          <Link className="lone" href="/accessibility">
            {accessTexts.title}
          </Link>
        </p>
      </div>
    </PageFrame>
  );
}
