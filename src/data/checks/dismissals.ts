import { randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

/** That a finding is meant so, as long as its fingerprint stays the same. */
export type Dismissal = Readonly<{
  id: string;
  finding: string;
  fingerprint: string;
  reason: string;
  by: string;
}>;

export async function dismissals(reader: Reader): Promise<Dismissal[]> {
  const rows = await select<Rows['dismissals'] & { by: string | null }>(
    reader,
    `SELECT dismissals.*, people.name AS by FROM dismissals LEFT JOIN people ON people.id = dismissals.person_id
     ORDER BY created_at`,
  );
  return rows.map(({ id, finding, fingerprint, reason, by }) => ({
    id,
    finding,
    fingerprint,
    reason,
    by: by ?? '',
  }));
}

type New = Readonly<{ finding: string; fingerprint: string; reason: string; person: PersonId }>;

/** One for each finding: a later one takes the place of an earlier. */
export async function writeDismissal(
  change: Change,
  { finding, fingerprint, reason, person }: New,
): Promise<void> {
  const [known] = await select<{ id: string }>(change, 'SELECT id FROM dismissals WHERE finding = :finding', {
    finding,
  });
  const row = { finding, fingerprint, reason, person_id: person, created_at: change.nowMs };
  if (known) await change.update('dismissals', known.id, row);
  else await change.insert('dismissals', [{ id: randomUUID(), ...row }]);
}
