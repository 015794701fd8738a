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
const HERE = '/api/school-sign-in?to=%2Flti%2Fjoin';
export const metadata: Metadata = { title: say.title };

/** Who came from a course's site for the first time is asked once who they are here. */
export default async function JoinPage() {
  const pembit = sharedPembit();
  const token = (await cookies()).get(arrivalCookieName(pembit.config.baseUrl))?.value ?? '';
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
      <p>{say.lead(platform.name)}</p>
      <JoinForm
        signedInAs={fresh}
        school={pembit.config.schoolSignIn && (framed ? again : { href: HERE, tab: false })}
        course={takes ? await courseLabel(pembit, linked) : undefined}
        closed={takes ? undefined : linked ? say.noRole : say.noCourse}
      />
    </main>
  );
}
