type Failure = Readonly<{ code?: string; original?: Readonly<{ code?: string }> }>;

const CANNOT_WRITE = new Set(['SQLITE_FULL', 'SQLITE_READONLY', 'SQLITE_IOERR', 'SQLITE_CANTOPEN', 'ENOSPC', 'EDQUOT', 'EROFS', 'EACCES']); // prettier-ignore

/** Whether an error says that the database, or a file beside it, cannot be written: no room, no permission, a failing disk. */
export function isOutOfRoom(error: unknown): boolean {
  const { code, original } = (error ?? {}) as Failure;
  return [code, original?.code].some((name) => name !== undefined && CANNOT_WRITE.has(name));
}
