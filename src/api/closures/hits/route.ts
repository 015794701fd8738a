import { closureInput } from '@/core/frame/frameInput';
import { previewClosure } from '@/server/frame/closures';
import { endpoint } from '../../endpoint';

/** What a closure would hit; nothing is saved. */
export const POST = endpoint({ who: 'person', body: closureInput }, ({ pembit, actor, body }) =>
  previewClosure(pembit, actor, body),
);
