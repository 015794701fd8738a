import { awayInput } from '@/core/frame/awayInput';
import { previewAway } from '@/server/frame/away';
import { endpoint } from '../../endpoint';

/** What being away would call off; nothing is saved. */
export const POST = endpoint({ who: 'person', body: awayInput }, ({ pembit, actor, body }) =>
  previewAway(pembit, actor, body),
);
