import { z } from 'zod';
import { courseId } from '@/core/ids';
import { saveCartridge } from '@/server/exchange/saveCartridge';
import { endpoint } from '../../../endpoint';
import { packageAnswer } from '../../../packageAnswer';

const params = z.object({ id: courseId });

/** A course's outline and work as a Common Cartridge package, for its staff. */
export const GET = endpoint(
  { who: 'person', params, answer: 'application/zip' },
  async ({ pembit, actor, params }) => {
    const saved = await saveCartridge(pembit, actor, params.id);
    return saved.ok ? packageAnswer(saved.value) : saved;
  },
);
