import { publishTexts } from '@/core/texts/publish';
import { CopyField } from '../controls/CopyField';
import type { OutletCardView } from './outletCardView';
import styles from './Publish.module.css';

/** A feed or an embed: what is in it, who can read it, and its address in the forms people need. */
export function OutletCard({ outlet }: { outlet: OutletCardView }) {
  return (
    <section className={`card ${styles.card}`} aria-label={`${outlet.kindLabel}: ${outlet.name}`}>
      <div className={styles.cardHead}>
        <h2>{outlet.name}</h2>
        <span className={styles.kind}>
          {outlet.kindLabel}
          {outlet.audience ? ` · ${outlet.audience}` : ''}
        </span>
      </div>
      {outlet.holds ? <p>{outlet.holds}</p> : null}
      <p className={outlet.isPublic ? 'notice' : 'soft'}>{outlet.readers}</p>
      {outlet.snippet ? (
        <CopyField label={publishTexts.snippet} value={outlet.snippet} action={publishTexts.copySnippet} />
      ) : (
        <CopyField label={publishTexts.address} value={outlet.url} action={publishTexts.copyAddress} />
      )}
      <p className={styles.links}>
        {outlet.kind === 'feed' ? (
          <a href={outlet.webcal}>{publishTexts.subscribe}</a>
        ) : (
          <a href={outlet.url}>{publishTexts.open}</a>
        )}
      </p>
    </section>
  );
}
