import { z } from 'zod';
import { termInput } from '@/core/frame/frameInput';
import { termId } from '@/core/ids';
import { changeTerm } from '@/server/frame/terms';
import { endpoint } from '../../endpoint';

const params = z.object({ id: termId });

export const PUT = endpoint({ who: 'person', params, body: termInput }, ({ pembit, actor, params, body }) =>
  changeTerm(pembit, actor, params.id, body),
);
