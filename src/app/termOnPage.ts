import { cookies, headers } from 'next/headers';
import { cache } from 'react';
import { TERM_COOKIE, TERM_HEADER } from '@/core/frame/chosenTerm';

/** The id of the term that somebody chose to look at: by the address of the page, else before; undefined: the current one. */
export const chosenTerm = cache(
  async (): Promise<string | undefined> =>
    (await headers()).get(TERM_HEADER) || (await cookies()).get(TERM_COOKIE)?.value,
);
