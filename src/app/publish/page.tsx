import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { publishTexts } from '@/core/texts/publish';
import { outletsFor } from '@/server/outlets/publish';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { OutletCard } from '@/ui/outlets/OutletCard';
import { outletCard } from '@/ui/outlets/outletCardView';
import styles from '@/ui/outlets/Publish.module.css';
import { PublishForm } from '@/ui/outlets/PublishForm';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: publishTexts.title };

export default async function PublishPage() {
  const actor = await signedInOr('/publish');
  if (actor.viewer.staffOf.size === 0) redirect('/');
  const pembit = sharedPembit();
  const [plan, outlets] = await Promise.all([planSeenBy(pembit, actor.viewer), outletsFor(pembit, actor)]);
  const cards = outlets.map((outlet) => outletCard(outlet, plan.courses));
  const courses = plan.courses.filter((course) => isStaffOf(actor.viewer, course.id));
  return (
    <PageFrame actor={actor}>
      <h1>{publishTexts.title}</h1>
      <p className="soft">{publishTexts.lead}</p>
      <div className={styles.columns}>
        <div className={styles.list}>
          {cards.map((card) => (
            <OutletCard key={card.id} outlet={card} />
          ))}
        </div>
        <PublishForm
          courses={courses.map(({ id, tag, title, color, students, sections }) => ({
            id,
            tag,
            title,
            color,
            students,
            sections,
          }))}
        />
      </div>
    </PageFrame>
  );
}
