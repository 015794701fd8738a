import { z } from 'zod';
import { fileId } from '@/core/ids';
import { previewPlan } from '@/server/exchange/bringPlan';
import { endpoint } from '../../endpoint';

const body = z.object({ file: fileId });

/** What an uploaded plan package holds. */
export const POST = endpoint({ who: 'person', body }, ({ pembit, actor, body }) =>
  previewPlan(pembit, actor, body.file),
);
