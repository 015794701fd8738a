import type { SeenPlan } from '@/core/plan/seenPlan';
import type { FreeTime } from '@/core/signup/nextFree';
import { studentTexts as say } from '@/core/texts/student';
import { momentLabel } from '@/core/time/dateLabels';
import type { ZoneLookup } from '@/core/time/zone';
import { zonedWallAt } from '@/core/time/zone';
import { Link } from '@/ui/controls/Link';
import styles from './WhomToAsk.module.css';

/** Whom of the staff one can write to, where they want that, and the next time to come by. */
export function WhomToAsk({
  contacts,
  free,
  plan,
  zoneOf,
}: {
  contacts: readonly Readonly<{ name: string; contact: string }>[];
  free?: FreeTime;
  plan: Pick<SeenPlan, 'locale'>;
  zoneOf: ZoneLookup;
}) {
  if (contacts.length === 0 && !free) return null;
  return (
    <section className={styles.ask} aria-labelledby="whom-to-ask">
      <h2 id="whom-to-ask">{say.whomToAsk}</h2>
      <ul>
        {contacts.map(({ name, contact }) => (
          <li key={name}>{say.reached({ name, contact })}</li>
        ))}
        {free ? (
          <li>
            {say.comeBy({ title: free.sheet.title })}{' '}
            <Link href="/sign-up">
              {momentLabel(zonedWallAt(zoneOf(free.sheet.tzid), free.slot.interval.start), plan.locale)}
            </Link>
          </li>
        ) : null}
      </ul>
    </section>
  );
}
