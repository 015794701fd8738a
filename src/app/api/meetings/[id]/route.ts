import { z } from 'zod';
import { meetingInput } from '@/core/frame/frameInput';
import { meetingId } from '@/core/ids';
import { changeMeeting } from '@/server/frame/changeMeeting';
import { endpoint } from '../../endpoint';

const params = z.object({ id: meetingId });

export const PUT = endpoint(
  { who: 'person', params, body: meetingInput },
  async ({ pembit, actor, params, body }) => {
    const outcome = await changeMeeting(pembit, actor, params.id, body);
    if (!outcome.ok) return outcome;
    const { id, ordinal, date, cancelled } = outcome.value;
    return { ...outcome, value: { id, ordinal, date: date.toString(), cancelled } };
  },
);
