import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { occurrencesOf } from '@/core/plan/occurrences';
import { sheetId } from '@/core/ids';
import { termOfCourse } from '@/core/plan/seenPlan';
import { signupTexts } from '@/core/texts/signup';
import { requireZone } from '@/core/time/zoneData';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { holdsLink } from '@/server/signup/mailLink';
import { LinkForm } from '@/ui/signup/LinkForm';
import { SpendLink } from '@/ui/signup/SpendLink';
import styles from '@/ui/session/SignIn.module.css';
import { packed } from '@/ui/controls/packed';
import { SignUp } from '@/ui/student/SignUp';
import { signUpView } from '@/ui/student/signUpView';
import { PageFrame } from '../../PageFrame';
import { signedIn } from '../../signedIn';
import { titleOfPage } from '../../titleOfPage';

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ link?: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id } = await params;
  return titleOfPage(signupTexts.own.title, ({ sheets }) => sheets.find((sheet) => sheet.id === id)?.title);
}

/** The address of one sheet: its times for whoever is signed in, a way in without a password for whoever is not. */
export default async function SheetAddressPage({ params, searchParams }: Props) {
  const { id } = await params;
  const { link } = await searchParams;
  const read = sheetId.safeParse(id);
  if (!read.success) notFound();
  const pembit = sharedPembit();
  const actor = await signedIn();
  // The link is spent by a button, not by looking: mail scanners look, too.
  if (link !== undefined && !actor) {
    const holds = await holdsLink(pembit, read.data, link);
    return (
      <main className={styles.page}>
        <h1>{signupTexts.own.title}</h1>
        {holds ? <SpendLink sheet={id} link={link} /> : <p className="notice">{signupTexts.own.spent}</p>}
        {holds ? null : <LinkForm sheet={id} />}
      </main>
    );
  }
  if (!actor)
    return (
      <main className={styles.page}>
        <h1>{signupTexts.own.title}</h1>
        <p className="soft">{signupTexts.own.lead}</p>
        <LinkForm sheet={id} />
      </main>
    );
  const version = pembit.queue.version();
  const plan = await planSeenBy(pembit, actor.viewer);
  const sheet = plan.sheets.find((s) => s.id === id);
  if (!sheet) notFound();
  if (sheet.asStaff) redirect(`/office-hours/${id}`);
  const view = signUpView(
    { ...plan, sheets: [sheet] },
    {
      zoneOf: requireZone,
      now: pembit.now(),
      occurrences: occurrencesOf(plan, requireZone),
      term: termOfCourse(plan, sheet.audience[0]?.course),
    },
  );
  return (
    <PageFrame actor={actor}>
      <h1>{sheet.title}</h1>
      <SignUp view={packed(view)} version={version} />
    </PageFrame>
  );
}
