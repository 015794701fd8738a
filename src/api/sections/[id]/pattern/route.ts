import { z } from 'zod';
import { patternInput } from '@/core/frame/frameInput';
import { sectionId } from '@/core/ids';
import { changeWeek } from '@/server/frame/sections';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: sectionId });

/** Another week for a section from a date on. */
export const PUT = endpoint(
  { who: 'person', params, body: patternInput, answer: z.object({ lost: z.number() }) },
  ({ pembit, actor, params, body }) => changeWeek(pembit, actor, params.id, body),
);
