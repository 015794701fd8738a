import { trustTexts } from '@/core/texts/trust';
import styles from './EntryPanel.module.css';

export type TrustStep = Readonly<{ what: string; by: string; told?: string }>;

/** How a date came to be as it is, newest first; nothing where nothing has happened. */
export function TrustList({
  lines,
  heading: Heading = 'h2',
}: Readonly<{ lines: readonly TrustStep[]; heading?: 'h2' | 'h3' }>) {
  if (lines.length === 0) return null;
  return (
    <section aria-labelledby="trust" className={styles.came}>
      <Heading id="trust">{trustTexts.title}</Heading>
      <ol className={styles.trust}>
        {lines.map((line, i) => (
          <li key={i}>
            {line.what}
            <br />
            <span className="soft">{[line.by, line.told].filter(Boolean).join(' · ')}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
