import type { Writer } from '../writeQueue';

/** A write that changes nothing anybody reads: it goes through where others would. @throws Error where none would. */
export async function tryWrite({ sequelize, transaction }: Writer): Promise<void> {
  await sequelize.query(
    `INSERT INTO stamps (scope, value, changed_at) VALUES ('health', 1, 0)
     ON CONFLICT (scope) DO UPDATE SET value = stamps.value + 1`,
    { transaction },
  );
}
