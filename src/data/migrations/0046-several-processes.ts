/** Which process has a job in hand, and a letter or a notice that is being handed over, and until when it is its own. */
export const severalProcesses = {
  name: '0046-several-processes',
  statements: [
    `ALTER TABLE jobs ADD COLUMN held_by TEXT`,
    `ALTER TABLE jobs ADD COLUMN held_until BIGINT`,
    `ALTER TABLE outbox ADD COLUMN held_until BIGINT`,
    `ALTER TABLE notices ADD COLUMN held_until BIGINT`,
    // Each process counts reads by itself and writes them down when it is time: nothing of that is due in the database.
    `DELETE FROM jobs WHERE name = 'reads'`,
  ],
} as const;
