import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isOnStaff } from '@/core/entries/viewer';
import { plainDate } from '@/core/fields';
import { awayInput } from '@/core/frame/awayInput';
import { awayTexts } from '@/core/texts/away';
import { previewAway } from '@/server/frame/away';
import { sharedPembit } from '@/server/pembit';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import styles from '@/ui/school/School.module.css';
import { AwayForm } from '@/ui/today/AwayForm';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: awayTexts.title };

type Search = Promise<Readonly<{ from?: string; to?: string }>>;

/** Whoever teaches is away: `/away?from=DATE&to=DATE`; without days, today. */
export default async function AwayPage({ searchParams }: { searchParams: Search }) {
  const search = await searchParams;
  const actor = await signedInOr('/away');
  if (!isOnStaff(actor.viewer)) redirect('/');
  const pembit = sharedPembit();
  const today = todayIn(pembit, await planSeenBy(pembit, actor.viewer));
  const dated = (text: string | undefined) => {
    const read = plainDate.safeParse(text);
    return read.success ? read.data.toString() : undefined;
  };
  const from = dated(search.from) ?? today.toString();
  const days = { from, to: dated(search.to) ?? from };
  const input = awayInput.safeParse(days);
  const lines = input.success ? await previewAway(pembit, actor, input.data) : undefined;
  return (
    <PageFrame actor={actor} everyTerm>
      <h1>{awayTexts.title}</h1>
      <p className="soft">{awayTexts.lead}</p>
      <div className={styles.closing}>
        <AwayForm
          key={`${days.from} ${days.to}`}
          name={actor.person.name}
          start={days}
          lines={lines?.ok ? lines.value : { classes: [], times: [], holding: 0 }}
        />
      </div>
    </PageFrame>
  );
}
