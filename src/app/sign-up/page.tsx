import type { Metadata } from 'next';
import { occurrencesOf } from '@/core/plan/occurrences';
import { frameTexts } from '@/core/texts/frame';
import { signupTexts } from '@/core/texts/signup';
import { requireZone } from '@/core/time/zoneData';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { packed } from '@/ui/controls/packed';
import { SignUp } from '@/ui/student/SignUp';
import { signUpView } from '@/ui/student/signUpView';
import { keptView, minuteOf } from '../keptView';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import { termOnPage } from '../termOnPage';

export const metadata: Metadata = { title: frameTexts.nav.signUp };

export default async function SignUpPage() {
  const actor = await signedInOr('/sign-up');
  const pembit = sharedPembit();
  // Taken before reading: what is written meanwhile is news.
  const version = pembit.queue.version();
  const plan = await planSeenBy(pembit, actor.viewer);
  const { term } = await termOnPage(plan);
  const now = pembit.now();
  const view = keptView(plan, ['signUp', term?.id, minuteOf(now)], () => {
    const occurrences = occurrencesOf(plan, requireZone);
    return packed(signUpView(plan, { zoneOf: requireZone, now, occurrences, term }));
  });
  return (
    <PageFrame actor={actor}>
      <h1>{signupTexts.take.title}</h1>
      <p className="soft">{signupTexts.take.lead}</p>
      <SignUp view={view} version={version} />
    </PageFrame>
  );
}
