import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { entryInput } from '@/core/entries/entryInput';
import { planEntry } from '@/server/entries/planEntry';
import { endpoint } from '../endpoint';
import { entryRecord, pageOf, savedEntry } from '../records';
import { entryAnswer } from './entryAnswer';

/** Plans an event, an assignment, an announcement or a private note. */
export const POST = endpoint(
  { who: 'person', body: entryInput, bytes: 512 * 1024, answer: savedEntry },
  async ({ pembit, actor, body }) => entryAnswer(await planEntry(pembit, actor, body), 201),
);

/** The entries that you see, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(entryRecord) },
  ({ pembit, actor, query }) => listPage(pembit, actor, 'entries', query),
);
