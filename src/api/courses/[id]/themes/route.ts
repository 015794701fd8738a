import { z } from 'zod';
import { themesInput } from '@/core/frame/frameInput';
import { courseId } from '@/core/ids';
import { writeThemes } from '@/server/frame/themes';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Says what the teaching weeks are about, in order. */
export const PUT = endpoint(
  { who: 'person', params, body: themesInput, answer: z.object({ themes: z.number() }) },
  ({ pembit, actor, params, body }) => writeThemes(pembit, actor, params.id, body.themes),
);
