/** admin_shutdown, crash_shutdown, cannot_connect_now, connection_failure and the like, too_many_connections (PostgreSQL's appendix A). */
const GONE = new Set(['57P01', '57P02', '57P03', '08000', '08001', '08003', '08006', '53300', 'ECONNRESET', 'ECONNREFUSED', 'EPIPE', 'ETIMEDOUT']); // prettier-ignore
const SAID =
  /Connection terminated|connection is closed|not queryable|Client has encountered a connection error/;

type Failure = Readonly<{ name?: string; message?: string; original?: Readonly<{ code?: string }> }>;

/** Whether an error says that the database's connection was lost or could not be made: the statement itself may have been right. */
export function isLostConnection(error: unknown): boolean {
  const { name = '', message = '', original } = (error ?? {}) as Failure;
  // Others lose connections as well: to a mail server, to a calendar.
  if (!name.startsWith('Sequelize')) return false;
  if (/^Sequelize(Connection|HostNot|InvalidConnection)/.test(name)) return true;
  return (original?.code !== undefined && GONE.has(original.code)) || SAID.test(message);
}
