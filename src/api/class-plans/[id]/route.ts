import { z } from 'zod';
import { classPlanId } from '@/core/ids';
import { oneListed } from '@/server/lists/lists';
import { endpoint } from '../../endpoint';
import { classPlanRecord } from '../../records';

const params = z.object({ id: classPlanId });

/** A class plan, as you see it. */
export const GET = endpoint({ who: 'person', params, answer: classPlanRecord }, ({ pembit, actor, params }) =>
  oneListed(pembit, actor, 'class-plans', params.id),
);
