import { z } from 'zod';
import { bringBackFinding } from '@/server/checks/dismiss';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** Has a finding checked again that was left out. */
export const DELETE = endpoint(
  { who: 'person', params, answer: z.object({ title: z.string() }) },
  ({ pembit, actor, params, term }) => bringBackFinding(pembit, actor, params.id, term),
);
