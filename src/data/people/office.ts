import type { PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';

/** Somebody as the office reads of them; what is a yes or a no is 1 or 0. */
export type OfficeRow = Readonly<{
  id: PersonId;
  name: string;
  email: string;
  isAdmin: number;
  deactivated: number;
  secondStep: number;
}>;

const COLUMNS = `id, name, email, is_admin AS "isAdmin", CASE WHEN deactivated_at IS NULL THEN 0 ELSE 1 END AS "deactivated",
  CASE WHEN id IN (SELECT person_id FROM second_steps WHERE confirmed_at IS NOT NULL) THEN 1 ELSE 0 END AS "secondStep"`;

/** People who may teach: everyone who is on no roster only, staff and administrators; `waiting`: who has never come. */
export const peopleWhoTeach = (reader: Reader): Promise<(OfficeRow & Readonly<{ waiting: number }>)[]> =>
  select(
    reader,
    `SELECT ${COLUMNS}, CASE WHEN came_at IS NULL THEN 1 ELSE 0 END AS "waiting" FROM people
     WHERE is_admin = 1 OR id IN (SELECT person_id FROM staff) OR id NOT IN (SELECT person_id FROM roster) ORDER BY name`,
  );

/** People whose name or address holds the words. */
export const peopleNamed = (
  reader: Reader,
  {
    words,
    after,
    most,
  }: Readonly<{ words: string; after?: readonly [name: string, id: string]; most: number }>,
): Promise<OfficeRow[]> =>
  select(
    reader,
    `SELECT ${COLUMNS} FROM people WHERE (LOWER(name) LIKE :like ESCAPE '\\' OR email LIKE :like ESCAPE '\\')
     ${after ? 'AND (name, id) > (:name, :id)' : ''} ORDER BY name, id LIMIT :most`,
    { like: `%${words.toLowerCase().replace(/[\\%_]/g, '\\$&')}%`, most, name: after?.[0], id: after?.[1] },
  );
