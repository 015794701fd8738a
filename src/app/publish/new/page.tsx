import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { redirect } from 'next/navigation';
import { courseByKey } from '@/core/plan/courseNames';
import { publishTexts } from '@/core/texts/publish';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { Composer } from '@/ui/outlets/Composer';
import { newDraft } from '@/ui/outlets/outletDraft';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';
import { termOnPage } from '../../termOnPage';
import { composing } from '../composing';

export const metadata: Metadata = { title: publishTexts.title };

type Search = Promise<Readonly<{ kind?: string; course?: string }>>;

export default async function NewOutletPage({ searchParams }: { searchParams: Search }) {
  const { kind, course } = await searchParams;
  const actor = await signedInOr('/publish');
  if (actor.viewer.staffOf.size === 0) redirect('/');
  const plan = await planSeenBy(sharedPembit(), actor.viewer);
  const parts = await composing(plan, actor);
  const asked = courseByKey(plan.courses, course ?? '')?.id;
  const { term } = await termOnPage(plan);
  const inTerm = plan.courses.filter((c) => c.term === term?.id).map(({ id }) => id as string);
  const first =
    parts.courses.find(({ id }) => id === asked) ??
    parts.courses.find(({ id }) => inTerm.includes(id)) ??
    parts.courses[0];
  const which = kind === 'embed' ? 'embed' : 'feed';
  return (
    <PageFrame actor={actor}>
      <p className="soft">
        <Link href="/publish">{publishTexts.all}</Link>
      </p>
      <h1>{which === 'embed' ? publishTexts.newEmbedTitle : publishTexts.newFeedTitle}</h1>
      <Composer
        key={which}
        start={newDraft(which, first ? [first] : [], { places: parts.placesInPublic })}
        {...parts}
      />
    </PageFrame>
  );
}
