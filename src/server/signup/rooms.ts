import { z } from 'zod';
import type { Change } from '@/data/history/change';
import { recordChange } from '@/data/history/change';
import { bookingsWithoutRoom, roomOf, updateBooking } from '@/data/signup/bookings';
import { insertWithdrawnRoom, removeWithdrawnRoom, withdrawnRooms } from '@/data/signup/withdrawnRooms';
import type { Booking } from '@/core/signup/sheet';
import type { BookingId } from '@/core/ids';
import { historyTexts } from '@/core/texts/history';
import type { Pembit } from '../pembit';
import { bookedSlot } from './bookedSlot';
import { grown, hostNamesOf, writeOfBooking } from './bookingLetters';

const made = z.object({ id: z.string().min(1).max(100), url: z.url() });

const serviceOf = ({ config }: Pembit) =>
  config.standins ? `http://127.0.0.1:${config.standinsPort}/meetings` : undefined;

/** A room of the meeting service for one booking; undefined where there is none, or it does not answer. */
async function makeRoomFor(pembit: Pembit, title: string, host: string) {
  const service = serviceOf(pembit);
  if (!service) return undefined;
  try {
    const answer = await fetch(service, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ title, host }),
      signal: AbortSignal.timeout(10_000),
    });
    return made.parse(await answer.json());
  } catch {
    return undefined;
  }
}

/**
 * Gives a booking a meeting of its own, where its sheet says so, and writes to whoever has it. Asking the service is no part
 * of taking the time: where it does not answer, the time is taken all the same and a job asks again.
 */
export async function giveRoom(pembit: Pembit, id: BookingId): Promise<void> {
  const taken = await bookedSlot(pembit, id);
  if (!taken?.sheet.rules.privateMeetings) return;
  const room = await makeRoomFor(pembit, taken.sheet.title, hostNamesOf(taken.sheet, taken.slot).join(', '));
  if (!room) return;
  const nowMs = pembit.now().epochMilliseconds;
  await recordChange(
    pembit.queue,
    { act: 'giveRoom', summary: historyTexts.gaveRoom({ title: taken.sheet.title }), actor: null, nowMs },
    async (change) => {
      const found = await bookedSlot(change, id);
      // Given back meanwhile, or somebody else was quicker: the room is not needed.
      if (!found || (await roomOf(change, id))) return insertWithdrawnRoom(change, room.id);
      const { sheet, slot, booking } = found;
      const changed = { ...grown(booking, pembit.now()), meetingLink: room.url };
      await updateBooking(change, sheet, booking, {
        meeting_link: room.url,
        room_id: room.id,
        sequence: changed.sequence,
        modified_at: nowMs,
      });
      await writeOfBooking(pembit, change, undefined, {
        kind: 'changed',
        sheet,
        slot,
        booking: changed,
      });
    },
  );
}

/** Bookings whose meeting could not be made when they were taken. */
export async function giveMissingRooms(pembit: Pembit): Promise<void> {
  if (!serviceOf(pembit)) return;
  for (const id of await bookingsWithoutRoom(pembit, pembit.now().epochMilliseconds))
    await giveRoom(pembit, id);
}

/** Withdraws the meeting of a booking that is given up; the service is told once the act stands. */
export async function withdrawRoom(change: Change, booking: Booking): Promise<void> {
  const room = await roomOf(change, booking.id);
  if (room) await insertWithdrawnRoom(change, room);
}

/** Tells the service of rooms that are not needed any more. */
export async function closeWithdrawnRooms(pembit: Pembit): Promise<void> {
  const service = serviceOf(pembit);
  const rooms = service ? await withdrawnRooms(pembit, 50) : [];
  for (const { room, used } of rooms) {
    const closed =
      // Undoing has brought the booking back: its room stays.
      used ||
      (await fetch(`${service}/${room}`, { method: 'DELETE', signal: AbortSignal.timeout(10_000) }).then(
        (answer) => answer.ok || answer.status === 404,
        () => false,
      ));
    if (closed) await pembit.queue.write((writer) => removeWithdrawnRoom(writer, room), { aside: true });
  }
}
