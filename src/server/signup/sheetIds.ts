import type { BookingId, SheetId, SlotId } from '@/core/ids';
import { sheetIdOfBooking, sheetIdOfSlot } from '@/data/signup/sheets';
import { forgetOldest } from '../forgetOldest';
import type { Pembit } from '../pembit';

const MOST = 20_000;
/** Neither a time nor a booking ever changes its sheet. */
const known = new Map<string, SheetId>();

/** Of which sheet a time or a booking is, or was; what is not there any more is not in it either. */
export async function sheetIdOf(
  pembit: Pembit,
  what: Readonly<{ slot: SlotId } | { booking: BookingId }>,
): Promise<SheetId | undefined> {
  const key = 'slot' in what ? what.slot : what.booking;
  const found =
    known.get(key) ??
    ('slot' in what ? await sheetIdOfSlot(pembit, what.slot) : await sheetIdOfBooking(pembit, what.booking));
  known.delete(key);
  if (found) known.set(key, found);
  forgetOldest(known, MOST);
  return found;
}

/** What an act of a student decides about: the sheet. */
export async function sheetLock(...of: Parameters<typeof sheetIdOf>): Promise<readonly string[]> {
  const id = await sheetIdOf(...of);
  return id ? [`sheet:${id}`] : [];
}
