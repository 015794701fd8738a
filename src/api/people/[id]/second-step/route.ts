import { z } from 'zod';
import { personId } from '@/core/ids';
import { resetSecondStep } from '@/server/people/changePerson';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: personId });

/** Takes away somebody’s second step of signing in, for a phone that was lost; a letter tells its owner. */
export const DELETE = endpoint(
  { who: 'person', params, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params }) => resetSecondStep(pembit, actor, params.id),
);
