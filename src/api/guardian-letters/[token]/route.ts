import { z } from 'zod';
import { guardianLettersInput } from '@/core/guardians/guardianInput';
import { wishLetters } from '@/server/guardians/weeksByLetter';
import { endpoint } from '../../endpoint';

const params = z.object({ token: z.string().length(43) });

/** Asks for the weeks of a guardian's address by letter, or ends them. */
export const PUT = endpoint(
  {
    who: 'anyone',
    params,
    body: guardianLettersInput,
    beforeSecondStep: true,
    answer: z.object({ email: z.string() }),
  },
  ({ pembit, params, body, from }) => wishLetters(pembit, params.token, body, from),
);
