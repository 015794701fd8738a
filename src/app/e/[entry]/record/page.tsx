import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { notFound } from 'next/navigation';
import { MOST_SPOKEN_SECONDS } from '@/core/materials/spokenMessage';
import { spokenTexts as say } from '@/core/texts/spoken';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { RecordMessage } from '@/ui/entries/RecordMessage';
import { mayEdit } from '@/ui/plan/deskData';
import { panelEntry } from '@/ui/entries/panelView';
import { PageFrame } from '../../../PageFrame';
import { signedInOr } from '../../../signedIn';
import styles from './record.module.css';

export const metadata: Metadata = { title: say.title };

/** A message is spoken for an entry: the one page that may use the microphone (`src/proxy.ts`). */
export default async function RecordPage({ params }: { params: Promise<{ entry: string }> }) {
  const { entry: id } = await params;
  const actor = await signedInOr(`/e/${id}/record`);
  const plan = await planSeenBy(sharedPembit(), actor.viewer);
  const entry = plan.entries.find((e) => e.id === id);
  if (!entry || entry.kind === 'note' || !mayEdit(actor.viewer, entry)) notFound();
  const { who } = panelEntry(entry, { courses: plan.courses, term: undefined, locale: plan.locale, mayEdit: false });
  return (
    <PageFrame actor={actor}>
      <div className={styles.page}>
      <h1>{say.title}</h1>
      <p>{say.lead({ title: entry.title, minutes: MOST_SPOKEN_SECONDS / 60 })}</p>
      <p className="notice">{say.whoHears({ who })}</p>
      <RecordMessage entry={entry.id} title={entry.title} />
      <p className="soft">{say.captions}</p>
      <p>
        <Link href={`/e/${entry.id}`}>{say.back}</Link>
      </p>
      </div>
    </PageFrame>
  );
} // prettier-ignore
