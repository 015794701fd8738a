import { z } from 'zod';
import { enterAnew } from '@/server/lti/arrive';
import { endpoint } from '../../endpoint';
import { arrivalIn, arrivalKey, entered, enteredRecord } from '../entered';

/** Lets in who came from a course’s site and has no account, where its course is linked. */
export const POST = endpoint(
  {
    who: 'anyone',
    beforeSecondStep: true,
    body: z.object({ arrival: arrivalKey }),
    answer: enteredRecord,
  },
  async ({ pembit, request, body: { arrival } }) => {
    const { baseUrl } = pembit.config;
    return entered(baseUrl, await enterAnew(pembit, arrivalIn(request, baseUrl, arrival)));
  },
);
