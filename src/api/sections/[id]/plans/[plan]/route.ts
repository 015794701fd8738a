import { z } from 'zod';
import { classPlanId, meetingId, sectionId } from '@/core/ids';
import { placePlan } from '@/server/plan/classPlans';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: sectionId, plan: classPlanId });
const body = z.object({ to: meetingId.optional() });

/** Puts a plan that lost its class on another one of the section, or takes it off the section. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ title: z.string() }) },
  ({ pembit, actor, params, body }) =>
    placePlan(pembit, actor, { plan: params.plan, section: params.id, to: body.to }),
);
