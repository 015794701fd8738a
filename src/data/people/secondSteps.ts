import type { PersonId } from '@/core/ids';
import type { Writer } from '../writeQueue';

/** Takes somebody's second step of signing in away; without a person everybody's. */
export async function deleteSecondSteps(writer: Writer, person?: PersonId): Promise<void> {
  await writer.sequelize
    .getQueryInterface()
    .bulkDelete('second_steps', person ? { person_id: person } : {}, { transaction: writer.transaction });
}
