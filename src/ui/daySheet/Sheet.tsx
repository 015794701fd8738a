import { materialTexts } from '@/core/texts/materials';
import { studentTexts } from '@/core/texts/student';
import { PlayHere } from '../materials/PlayHere';
import type { PlanItem } from '../plan/planItem';
import styles from './DaySheet.module.css';
import type { DaySheetView, SheetItem } from './daySheetView';

/** One day on one page: what was done, with its materials; what was set, is due, was announced. */
export function Sheet({
  view,
  onOpen,
  ofClass = false,
}: {
  view: DaySheetView;
  onOpen?: (item: PlanItem) => void;
  /** On a class's own page its title leads nowhere else. */
  ofClass?: boolean;
}) {
  return (
    <>
      {view.parts.map((part) => (
        <section
          key={part.part}
          className={styles.part}
          aria-label={`${part.heading}, ${view.heading}`}
          data-part={part.part}
        >
          <h2>{part.heading}</h2>
          {part.items.map((item) => (
            <Item key={item.key} item={item} onOpen={onOpen} ofClass={ofClass} />
          ))}
        </section>
      ))}
    </>
  );
}

function Item({
  item,
  onOpen,
  ofClass,
}: {
  item: SheetItem;
  onOpen?: (item: PlanItem) => void;
  ofClass: boolean;
}) {
  const opens = onOpen && (item.item.entry !== undefined || item.item.meeting !== undefined);
  return (
    <article
      className={styles.item}
      data-kind={item.kind}
      data-off={item.off}
      data-course={item.tags[0]?.color}
    >
      <h3>
        {item.tags.map((tag) => (
          <span key={tag.tag}>
            <span className="tag" data-course={tag.color}>
              {tag.tag}
            </span>{' '}
          </span>
        ))}
        {opens ? (
          <button type="button" className={styles.open} onClick={() => onOpen(item.item)}>
            {item.title}
          </button>
        ) : (item.kind === 'class' && (ofClass || item.name)) || !item.href ? (
          item.title
        ) : (
          <a href={item.href}>{item.title}</a>
        )}
      </h3>
      <p className="soft">
        {item.time}
        {item.name ? (
          <>
            {item.time ? ' · ' : ''}
            {/* The title of a class is often that of its handout: its number leads to its own page. */}
            {ofClass || onOpen || !item.href ? item.name : <a href={item.href}>{item.name}</a>}
          </>
        ) : null}
        {item.detail ? `${item.time || item.name ? ' · ' : ''}${item.detail}` : ''}
      </p>
      {item.join ? (
        <p>
          <a className={styles.join} href={item.join.url} target="_blank" rel="noopener">
            {item.join.label}
          </a>
        </p>
      ) : null}
      {item.text ? (
        // Sanitised when it was written, and again when this was made.
        <div className={`formatted ${styles.text}`} dangerouslySetInnerHTML={{ __html: item.text }} />
      ) : null}
      {item.links.length > 0 ? (
        <ul className={styles.links}>
          {item.links.map((link, i) => (
            <li key={`${link.url} ${i}`}>
              <OutLink {...link} />
              {link.items.length > 0 ? (
                <ul>
                  {link.items.map((inner) => (
                    <li key={inner.url} style={{ paddingLeft: inner.depth * 14 }}>
                      <OutLink {...inner} />
                    </li>
                  ))}
                </ul>
              ) : null}
            </li>
          ))}
        </ul>
      ) : null}
    </article>
  );
}

function OutLink({
  url,
  label,
  kind,
}: Readonly<{ url: string; label: string; kind?: keyof typeof materialTexts.kinds }>) {
  return (
    <>
      <a href={url} target={url.startsWith('/m/') ? undefined : '_blank'} rel="noopener">
        {label || studentTexts.openLink}
      </a>
      {kind && kind !== 'webLink' ? <span className="soft"> {materialTexts.kinds[kind]}</span> : null}
      <PlayHere url={url} label={label || studentTexts.openLink} />
      <span className={styles.printed}>{url.startsWith('http') ? url : ''}</span>
    </>
  );
}
