import { enterAnew } from '@/server/lti/arrive';
import { endpoint } from '../../endpoint';
import { arrivalIn, entered, enteredRecord } from '../entered';

/** Lets in who came from a course’s site and has no account, where its course is linked. */
export const POST = endpoint(
  { who: 'anyone', beforeSecondStep: true, answer: enteredRecord },
  async ({ pembit, request }) => {
    const { baseUrl } = pembit.config;
    return entered(baseUrl, await enterAnew(pembit, arrivalIn(request, baseUrl)));
  },
);
