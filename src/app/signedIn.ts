import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { isShownOnSites } from '@/core/lti/target';
import { isEmpty } from '@/server/frame/isEmpty';
import { sharedPembit } from '@/server/pembit';
import { owesSecondStep } from '@/server/session/secondStep';
import type { SignedIn } from '@/server/session/session';
import { signedInWith } from '@/server/session/session';

const sessionOf = cache(async (owing: boolean): Promise<SignedIn | undefined> => {
  const pembit = sharedPembit();
  const jar = await cookies();
  return signedInWith(pembit, (name) => jar.get(name)?.value, { owing });
});

/** Whoever asks for the page, once for each request. */
export const signedIn = (): Promise<SignedIn | undefined> => sessionOf(false);

/**
 * The signed-in person, or the way to the sign-in page and, from there, back to `path`. Who has yet to set up a second step
 * that the school asks for is led to it. Inside a course's site, some pages are not shown.
 */
export async function signedInOr(path: string): Promise<SignedIn> {
  const actor = await sessionOf(true);
  if (actor?.site && !isShownOnSites(path)) redirect(`/lti/elsewhere?to=${encodeURIComponent(path)}`);
  if (actor) {
    if (path !== '/account' && (await owesSecondStep(sharedPembit(), actor))) redirect('/account');
    return actor;
  }
  // What a course's site has opened ends by itself, and no sign-in is shown in its frame.
  if ((await headers()).get('sec-fetch-dest') === 'iframe') redirect('/lti/over');
  if (await isEmpty(sharedPembit())) redirect('/setup');
  return redirect(`/sign-in?to=${encodeURIComponent(path)}`);
}
