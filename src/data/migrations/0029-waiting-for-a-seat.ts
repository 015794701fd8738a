/** A waiting list where an event has no seats left. */
export const waitingForASeat = {
  name: '0029-waiting-for-a-seat',
  statements: [
    `ALTER TABLE replies ADD COLUMN waiting_since BIGINT`,
    `CREATE INDEX replies_waiting ON replies (entry_id) WHERE waiting_since IS NOT NULL`,
  ],
} as const;
