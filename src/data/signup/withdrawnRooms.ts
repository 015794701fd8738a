import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { deleteRows, insertRows } from '../statements';

/** Notes a meeting of a booking that is given up: the service is told of it once the act stands. */
export async function insertWithdrawnRoom(writer: Writer, room: string): Promise<void> {
  await insertRows(writer, 'withdrawn_rooms', [{ room_id: room }]);
}

/** Meetings of which the service has yet to be told. `used`: undoing has brought a booking of it back. */
export const withdrawnRooms = async (
  reader: Reader,
  most: number,
): Promise<Readonly<{ room: string; used: boolean }>[]> =>
  (
    await select<{ room: string; used: number }>(
      reader,
      `SELECT room_id AS room, EXISTS (SELECT 1 FROM bookings WHERE bookings.room_id = withdrawn_rooms.room_id) AS used
       FROM withdrawn_rooms LIMIT ${Math.floor(most)}`,
    )
  ).map(({ room, used }) => ({ room, used: Number(used) === 1 }));

export async function removeWithdrawnRoom(writer: Writer, room: string): Promise<void> {
  await deleteRows(writer, 'withdrawn_rooms', { room_id: room });
}
