import AnnouncementIcon from '@mui/icons-material/CampaignOutlined';
import AssignmentIcon from '@mui/icons-material/AssignmentOutlined';
import EventIcon from '@mui/icons-material/EventOutlined';
import JoinIcon from '@mui/icons-material/VideocamOutlined';
import NoteIcon from '@mui/icons-material/StickyNote2Outlined';
import type { ReactNode } from 'react';
import { entryTexts } from '@/core/texts/entries';
import { panelTexts } from '@/core/texts/term';
import { PlayHere } from '../materials/PlayHere';
import { ComingButtons } from './ComingButtons';
import styles from './EntryPanel.module.css';
import type { PanelEntry } from './panelData';

const KIND_ICONS = {
  event: EventIcon,
  assignment: AssignmentIcon,
  announcement: AnnouncementIcon,
  note: NoteIcon,
} as const;

const BELOW = { h1: 'h2', h2: 'h3', h3: 'h4' } as const;

/** An entry to read: what and when, where its links lead, who sees it. */
export function ReadEntry({
  entry,
  heading: Heading = 'h1',
  line,
}: {
  entry: PanelEntry;
  /** The line of dates where they can be moved; otherwise they are listed. */
  line?: ReactNode;
  heading?: 'h1' | 'h2' | 'h3';
}) {
  const KindIcon = KIND_ICONS[entry.kind];
  // No step of headings is left out, wherever it stands.
  const Part = BELOW[Heading];
  return (
    <article className={styles.entry} aria-labelledby="entry-title">
      <p className="soft">
        <KindIcon className={styles.kindIcon} />
        {entry.tags.map((tag) => (
          <span key={tag.tag}>
            <span className="tag" data-course={tag.color}>
              {tag.tag}
            </span>{' '}
          </span>
        ))}
        {[entry.kindLabel, entry.tags.map((tag) => tag.title).join(', ')].filter(Boolean).join(' · ')}
      </p>
      <Heading id="entry-title" className={entry.cancelled === undefined ? undefined : styles.off}>
        {entry.title}
      </Heading>
      <p>
        {entry.when}
        {entry.repeats ? <>, {entry.repeats}</> : null}
      </p>
      {entry.cancelled === undefined ? null : <p className="notice">{entry.cancelled}</p>}
      {entry.shown ? null : <p className="notice">{entry.release}</p>}
      {line ??
        (entry.dates.length > 1 ? (
          <ol className={styles.dates}>
            {entry.dates.map((date) => (
              <li key={date.label}>
                <span className="soft">{date.label}</span>
                <span className="numbers">{date.value}</span>
              </li>
            ))}
          </ol>
        ) : null)}
      {entry.facts.map((fact) => (
        <Fact heading={Part} key={fact.label} {...fact} />
      ))}
      {entry.description ? (
        // Sanitised by an allow list when it was written, and again when this was made.
        <div className={`formatted ${styles.text}`} dangerouslySetInnerHTML={{ __html: entry.description }} />
      ) : null}
      {entry.meetingLink ? (
        <p>
          <a className={styles.join} href={entry.meetingLink} target="_blank" rel="noopener">
            <JoinIcon className={styles.kindIcon} />
            {entryTexts.join({ name: entry.meetingName })}
          </a>
        </p>
      ) : null}
      {entry.coming ? (
        <section>
          <Part>{panelTexts.coming}</Part>
          <p>{entry.coming.words}</p>
          {entry.coming.own === undefined ? null : (
            <ComingButtons entry={entry.id} {...entry.coming} own={entry.coming.own} />
          )}
          <ul>
            {entry.coming.names.map((name) => (
              <li key={name}>{name}</li>
            ))}
          </ul>
        </section>
      ) : null}
      {entry.links.length > 0 ? (
        <section>
          <Part>{panelTexts.links}</Part>
          <ul className={styles.links}>
            {entry.links.map((link) => (
              <li key={link.url}>
                <a href={link.url} target="_blank" rel="noopener">
                  {link.label || link.url}
                </a>
                <PlayHere url={link.url} label={link.label || link.url} />
                {link.state ? <span className={styles.state}> · {link.state}</span> : null}
                {link.staffOnly ? <span className="soft"> · {panelTexts.staffOnly}</span> : null}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <section>
        <Part>{panelTexts.whoSeesNow}</Part>
        <p>{entry.who}</p>
      </section>
    </article>
  );
}

const Fact = ({
  label,
  value,
  heading: Part,
}: {
  label: string;
  value: string;
  heading: 'h2' | 'h3' | 'h4';
}) => (
  <section>
    <Part>{label}</Part>
    <p>{value}</p>
  </section>
);
