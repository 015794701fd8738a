import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { notFound } from 'next/navigation';
import type { OutletId } from '@/core/ids';
import { publishTexts } from '@/core/texts/publish';
import { outletFor } from '@/server/outlets/publish';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { Composer } from '@/ui/outlets/Composer';
import { draftOfOutlet } from '@/ui/outlets/outletDraft';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';
import { composing } from '../composing';
import { titleOfPage } from '../../titleOfPage';

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id } = await params;
  return titleOfPage(publishTexts.title, async (_, actor) => {
    const found = await outletFor(sharedPembit(), actor, id as OutletId);
    return found.ok ? publishTexts.changeTitle({ name: found.value.name }) : undefined;
  });
}

export default async function ChangeOutletPage({ params }: Props) {
  const { id } = await params;
  const actor = await signedInOr(`/publish/${id}`);
  const pembit = sharedPembit();
  const found = await outletFor(pembit, actor, id as OutletId);
  if (!found.ok) notFound();
  const outlet = found.value;
  if (outlet.audience === 'personal' || actor.viewer.staffOf.size === 0) notFound();
  const parts = await composing(await planSeenBy(pembit, actor.viewer), actor);
  return (
    <PageFrame actor={actor}>
      <p className="soft">
        <Link href="/publish">{publishTexts.all}</Link>
      </p>
      <h1>{publishTexts.changeTitle({ name: outlet.name })}</h1>
      <Composer id={outlet.id} start={draftOfOutlet(outlet)} {...parts} />
    </PageFrame>
  );
}
