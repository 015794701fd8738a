import { z } from 'zod';
import { line } from '@/core/fields';
import { dismissFinding } from '@/server/checks/dismiss';
import { endpoint } from '../../endpoint';

const body = z.object({ key: line(200, 'Say which finding.'), reason: line(500).default('') });

/** Says that a finding is meant so, with the reason. */
export const POST = endpoint(
  { who: 'person', body, answer: z.object({ title: z.string() }) },
  ({ pembit, actor, body, term }) => dismissFinding(pembit, actor, { ...body, term }),
);
