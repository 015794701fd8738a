import { CANNOT_WRITE } from '@/data/dialect';

export { isLostConnection } from '@/data/lostConnection';

type Failure = Readonly<{ code?: string; original?: Readonly<{ code?: string }> }>;

const NO_ROOM_FOR_FILES = new Set(['ENOSPC', 'EDQUOT', 'EROFS', 'EACCES']);

/** Whether an error says that the database, or a file beside it, cannot be written: no room, no permission, a failing disk. */
export function isOutOfRoom(error: unknown): boolean {
  const { code, original } = (error ?? {}) as Failure;
  return [code, original?.code].some(
    (name) => name !== undefined && (CANNOT_WRITE.has(name) || NO_ROOM_FOR_FILES.has(name)),
  );
}
