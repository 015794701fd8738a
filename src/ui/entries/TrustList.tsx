import { trustTexts } from '@/core/texts/trust';
import styles from './EntryPanel.module.css';

export type TrustStep = Readonly<{ what: string; by: string; told?: string }>;

/** How a date came to be as it is, newest first; nothing where nothing has happened. */
export function TrustList({ lines }: Readonly<{ lines: readonly TrustStep[] }>) {
  if (lines.length === 0) return null;
  return (
    <section aria-labelledby="trust">
      <h3 id="trust">{trustTexts.title}</h3>
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
