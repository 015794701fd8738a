import type { ReactNode } from 'react';
import { Link } from '@/ui/controls/Link';
import { seeAsTexts } from '@/core/texts/seeAs';
import type { PlanPage } from './planPage';
import { PageFrame } from './PageFrame';
import styles from './planFrame.module.css';

/** The frame around every view of the plan: who looks, and what stands there before there is a term. */
export function PlanFrame({
  page,
  empty,
  children,
}: {
  page: PlanPage;
  empty: readonly [title: string, lead: string];
  children: ReactNode;
}) {
  const { actor, plan, as, choices, term } = page;
  return (
    <PageFrame actor={actor} plan={plan} wide seeAs={{ choices, chosen: as?.key }}>
      {as ? (
        <p className={`notice ${styles.as}`} role="status">
          {seeAsTexts.banner({ who: as.label })} <Link href="?">{seeAsTexts.back}</Link>
        </p>
      ) : null}
      {term ? (
        children
      ) : (
        <div className={`empty ${styles.empty}`}>
          <h1>{empty[0]}</h1>
          <p>{empty[1]}</p>
        </div>
      )}
    </PageFrame>
  );
}
