import { z } from 'zod';
import { roomsInput } from '@/core/frame/frameInput';
import { sectionId } from '@/core/ids';
import { changeRooms } from '@/server/frame/sections';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: sectionId });

/** Another room for a section's classes from a day on, or between two. */
export const PUT = endpoint(
  { who: 'person', params, body: roomsInput, answer: z.object({ lost: z.number() }) },
  ({ pembit, actor, params, body }) => changeRooms(pembit, actor, params.id, body),
);
