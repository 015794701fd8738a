import { z } from 'zod';
import { sectionFactsInput } from '@/core/frame/frameInput';
import { sectionId } from '@/core/ids';
import { changeSection } from '@/server/frame/sections';
import { oneListed } from '@/server/lists/lists';
import { endpoint } from '../../endpoint';
import { sectionRecord } from '../../records';

const params = z.object({ id: sectionId });

/** A section, as you see it. */
export const GET = endpoint(
  { who: 'person', row: 'sections', params, answer: sectionRecord },
  ({ pembit, actor, params }) => oneListed(pembit, actor, 'sections', params.id),
);

/** Another name for a section, or its own first and last days. */
export const PUT = endpoint(
  { who: 'person', row: 'sections', params, body: sectionFactsInput, answer: z.object({ lost: z.number() }) },
  ({ pembit, actor, params, body }) => changeSection(pembit, actor, params.id, body),
);
