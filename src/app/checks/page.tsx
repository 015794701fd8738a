import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { checkTexts } from '@/core/texts/checks';
import { findingsOf } from '@/server/checks/findings';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { CheckList, LeftOut } from '@/ui/checks/CheckList';
import { checkLine } from '@/ui/checks/checkLine';
import styles from '@/ui/checks/Checks.module.css';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import { chosenTerm, termOnPage } from '../termOnPage';

export const metadata: Metadata = { title: checkTexts.title };

/** What is questionable in all that one teaches. */
export default async function ChecksPage() {
  const actor = await signedInOr('/checks');
  if (actor.viewer.staffOf.size === 0) redirect('/');
  const pembit = sharedPembit();
  const chosen = await chosenTerm();
  const [plan, { open, dismissed }] = await Promise.all([
    planSeenBy(pembit, actor.viewer),
    findingsOf(pembit, actor, chosen),
  ]);
  const { term } = await termOnPage(plan);
  const frame = term && { courses: plan.courses, term, locale: plan.locale };
  return (
    <PageFrame actor={actor} plan={plan}>
      <h1>{checkTexts.title}</h1>
      <p className={`soft ${styles.lead}`}>
        {open.length > 0 ? `${checkTexts.count({ n: open.length })}. ${checkTexts.lead}` : checkTexts.none}
      </p>
      {frame ? (
        <>
          <CheckList lines={open.map((finding) => checkLine(finding, frame))} />
          <LeftOut
            lines={dismissed.map(({ finding, dismissal }) => ({
              ...checkLine(finding, frame),
              dismissal: dismissal.id,
              by: checkTexts.dismissedBy({ name: dismissal.by, reason: dismissal.reason }),
            }))}
          />
        </>
      ) : null}
    </PageFrame>
  );
}
