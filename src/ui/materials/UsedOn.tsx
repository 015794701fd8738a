import { Link } from '@/ui/controls/Link';
import { materialTexts as say } from '@/core/texts/materials';
import styles from './Materials.module.css';
import type { StaffFacts } from './outlineView';

/** The days on which something leads to a material, for its staff. */
export function UsedOn({ staff }: { staff: StaffFacts }) {
  if (staff.uses.length === 0) return <span className={styles.unused}>{say.unused}</span>;
  return (
    <span className="soft">
      {say.used}{' '}
      {staff.uses.map((use, i) => (
        <span key={`${use.href} ${use.title}`}>
          {i > 0 ? ', ' : null}
          <Link href={use.href} title={use.title}>
            {use.words}
          </Link>
        </span>
      ))}
    </span>
  );
}
