import { z } from 'zod';
import { slotId } from '@/core/ids';
import { cancelTime } from '@/server/signup/cancelTime';
import { endpoint } from '../../endpoint';

const params = z.object({ id: slotId });

/** Takes a time off its sheet; whoever had taken it is told. */
export const DELETE = endpoint({ who: 'person', params }, ({ pembit, actor, params }) =>
  cancelTime(pembit, actor, params.id),
);
