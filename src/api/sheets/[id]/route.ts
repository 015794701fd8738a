import { z } from 'zod';
import { longText } from '@/core/fields';
import { sheetId } from '@/core/ids';
import { sheetFactsInput } from '@/core/signup/sheetInput';
import { changeSheet, deleteSheet } from '@/server/signup/changeSheet';
import { oneListed } from '@/server/lists/lists';
import { endpoint } from '../../endpoint';
import { sheetRecord } from '../../records';

const params = z.object({ id: sheetId });

/** A sheet, as you see it. */
export const GET = endpoint(
  { who: 'person', row: 'sheets', params, answer: sheetRecord },
  ({ pembit, actor, params }) => oneListed(pembit, actor, 'sheets', params.id),
);
const body = sheetFactsInput.extend({ offered: z.boolean().default(true) });
const query = z.object({ message: longText(2000).default('') });

/** What a sheet is called, for whom, where, and by which rules. */
export const PUT = endpoint(
  {
    who: 'person',
    row: 'sheets',
    params,
    body,
    bytes: 512 * 1024,
    answer: z.object({ title: z.string(), told: z.number() }),
  },
  ({ pembit, actor, params, body }) => changeSheet(pembit, actor, params.id, body),
);

/** Closes a sheet: its times still to come are cancelled. */
export const DELETE = endpoint(
  { who: 'person', row: 'sheets', params, query, answer: z.object({ title: z.string(), told: z.number() }) },
  ({ pembit, actor, params, query }) => deleteSheet(pembit, actor, params.id, query.message),
);
