import { Link } from '@/ui/controls/Link';
import styles from './Materials.module.css';
import { PlayHere } from './PlayHere';
import type { OutlineRow } from './outlineView';

/** Where a material leads, in one click. */
export function MaterialLink({ row }: { row: Pick<OutlineRow, 'href' | 'outside' | 'title'> }) {
  return row.outside ? (
    <a href={row.href} target="_blank" rel="noopener">
      {row.title}
    </a>
  ) : (
    <Link href={row.href}>{row.title}</Link>
  );
}

/** An outline to read. */
export function OutlineList({ rows }: { rows: readonly OutlineRow[] }) {
  const top = Math.min(...rows.map((row) => row.depth));
  return (
    <ul className={styles.outline}>
      {rows.map((row) => (
        <li key={row.id} data-kind={row.kind} style={{ paddingLeft: (row.depth - top) * 20 }}>
          <MaterialLink row={row} /> <span className="soft">{row.kind === 'unit' ? '' : row.kindLabel}</span>
          <PlayHere url={row.href} label={row.title} />
        </li>
      ))}
    </ul>
  );
}
