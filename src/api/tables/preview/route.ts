import { MOST_BYTES, tableText } from '@/core/frame/tableInput';
import { previewTable } from '@/server/frame/bringTable';
import { endpoint } from '../../endpoint';

/** What a table would add, line by line, for the administrator; nothing is saved. */
export const POST = endpoint(
  { who: 'person', body: tableText, bytes: MOST_BYTES },
  ({ pembit, actor, body }) => previewTable(pembit, actor, body.text),
);
