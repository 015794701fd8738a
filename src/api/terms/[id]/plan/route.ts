import { z } from 'zod';
import { termId } from '@/core/ids';
import { saveTerm } from '@/server/exchange/savePlan';
import { endpoint } from '../../../endpoint';
import { packageAnswer } from '../../../packageAnswer';

const params = z.object({ id: termId });

/** A term with all its courses as a package. */
export const GET = endpoint(
  { who: 'person', params, answer: 'application/zip' },
  async ({ pembit, actor, params }) => {
    const saved = await saveTerm(pembit, actor, params.id);
    return saved.ok ? packageAnswer(saved.value) : saved;
  },
);
