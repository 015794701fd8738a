'use client';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import { useFirstThenAll } from '../controls/useFirstThenAll';
import { OutletCard } from './OutletCard';
import type { OutletCardView } from './outletCardView';
import styles from './Publish.module.css';

/** Feeds and embeds; the one that was just made, if any, is marked, and there from the beginning. */
export function OutletList({ made, ...given }: { cards: Packed<readonly OutletCardView[]>; made?: string }) {
  const cards = useUnpacked(given.cards);
  const drawn = useFirstThenAll(cards, Math.max(8, cards.findIndex(({ id }) => id === made) + 1));
  return (
    <div className={styles.list}>
      {drawn.map((card) => (
        <OutletCard key={card.id} outlet={card} isNew={card.id === made} />
      ))}
    </div>
  );
}
