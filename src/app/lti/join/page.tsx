import type { Metadata } from 'next';
import { cookies, headers } from 'next/headers';
import { ltiTexts } from '@/core/texts/lti';
import { refusalTexts } from '@/core/texts/refusals';
import { arrivalOf, linkedCourse } from '@/server/lti/arrive';
import { arrivalCookieName } from '@/server/lti/siteCookies';
import { courseLabel } from '@/server/lti/courseLabel';
import { sharedPembit } from '@/server/pembit';
import { isFresh } from '@/server/session/session';
import { JoinForm } from '@/ui/lti/JoinForm';
import styles from '@/ui/lti/Lti.module.css';
import { signedIn } from '../../signedIn';

const say = ltiTexts.join;
/** The school's sign-in, and back to here. */
const schoolSignIn = (arrival: string) =>
  `/api/school-sign-in?${new URLSearchParams({ to: `/lti/join?arrival=${arrival}` }).toString()}`;

export const metadata: Metadata = { title: say.title };

/** Who came from a course's site for the first time is asked once who they are here. */
export default async function JoinPage({
  searchParams,
}: Readonly<{ searchParams: Promise<{ arrival?: string }> }>) {
  const pembit = sharedPembit();
  const { arrival = '' } = await searchParams;
  const token = (await cookies()).get(arrivalCookieName(pembit.config.baseUrl, arrival))?.value ?? '';
  const arriving = await arrivalOf(pembit, token);
  if (!arriving)
    return (
      <main className={styles.page}>
        <h1>{say.title}</h1>
        <p className="notice">{refusalTexts.launchOver}</p>
      </main>
    );
  const { platform, launch } = arriving;
  // The school's sign-in shows itself in no frame: the launch goes on in a tab, and from there to it.
  const framed = (await headers()).get('sec-fetch-dest') === 'iframe';
  const again = arriving.again && { href: `/lti/login?${arriving.again}`, tab: true };
  const linked = await linkedCourse(pembit, arriving);
  const actor = await signedIn();
  const fresh = actor && (await isFresh(pembit, actor)) ? actor.person.name : undefined;
  const takes = linked !== undefined && launch.person.role !== undefined;
  return (
    <main className={styles.page}>
      <h1>{say.title}</h1>
      <p>{say.lead({ site: platform.name })}</p>
      <JoinForm
        arrival={arrival}
        signedInAs={fresh}
        school={pembit.config.schoolSignIn && (framed ? again : { href: schoolSignIn(arrival), tab: false })}
        course={takes ? await courseLabel(pembit, linked) : undefined}
        closed={takes ? undefined : linked ? say.noRole : say.noCourse}
      />
    </main>
  );
}
