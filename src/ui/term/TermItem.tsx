import type { PointerEvent } from 'react';
import { entryTexts } from '@/core/texts/entries';
import styles from './TermGrid.module.css';
import type { GridItem } from './termMarks';

/** The mark of one entry: kind by form, course by tag and colour, state by texture. */
export function TermItem({
  item,
  selected,
  picked,
  reachable = false,
  onOpen,
  onPress,
}: {
  item: GridItem;
  selected: boolean;
  /** Chosen along with others, to be moved together. */
  picked: boolean;
  /** Whether Tab comes here; in the grid the cell leads in. */
  reachable?: boolean;
  onOpen: (extend: boolean) => void;
  onPress?: (event: PointerEvent) => void;
}) {
  const content = (
    <span className={styles.flow}>
      {item.tags.map((tag) => (
        <span key={tag.tag} className="tag" data-course={tag.color}>
          {tag.tag}
        </span>
      ))}{' '}
      {item.time ? <span className={styles.time}>{item.time}</span> : null}{' '}
      {item.ordinal !== undefined && !item.planned ? (
        <>
          <span className={styles.ordinal}>{item.ordinal}</span>
          <span className={styles.long}>{item.long}</span>
        </>
      ) : null}
      {item.boxes ? (
        <span className={styles.ruler}>
          {item.boxes.map((taken, i) => (
            <span key={i} data-taken={taken} />
          ))}
        </span>
      ) : (
        <span className={styles.title}>{item.title}</span>
      )}
      {item.by ? <span className={styles.by}>{item.by}</span> : null}
    </span>
  );
  const facts = {
    className: styles.item,
    'data-kind': item.kind,
    'data-release': item.release,
    'data-cancelled': item.cancelled,
    'data-news': item.news || undefined,
    'data-planned': item.planned,
    'data-picked': picked,
    'data-movable': item.movable,
    'data-key': item.key,
    'data-meeting': item.meeting,
    'data-course': item.tags[0]?.color,
    title: item.release === 'shown' ? item.words : `${item.words}. ${entryTexts.release[item.release]}`,
  };
  return (
    <button
      {...facts}
      type="button"
      aria-label={item.words}
      aria-pressed={selected}
      tabIndex={reachable ? 0 : -1}
      onClick={(event) => onOpen(event.ctrlKey || event.metaKey || event.shiftKey)}
      onPointerDown={onPress}
    >
      {content}
    </button>
  );
}
