'use client';
import Button from '@mui/material/Button';
import { quickTexts } from '@/core/texts/quickLine';
import { panelTexts } from '@/core/texts/term';
import styles from './QuickLine.module.css';
import type { Find, QuickView } from './quickView';

/** What a line says, what it leaves open, and what is found by it. */
export function QuickReading({
  view,
  onChoose,
  onSave,
  onFind,
}: {
  view: QuickView;
  onChoose: (line: string) => void;
  onSave: () => void;
  onFind: (find: Find) => void;
}) {
  const { pieces, asks, ready, leads, finds } = view;
  const said = pieces.filter((piece) => piece.words !== '');
  // A title alone is looked for first; a line that says more is read first.
  const looking = said.length === 0 && finds.length > 0;
  const found =
    finds.length > 0 ? (
      <section>
        <h2>{quickTexts.finds}</h2>
        <ul className={styles.finds}>
          {finds.map((find) => (
            <li key={find.key}>
              <button type="button" onClick={() => onFind(find)}>
                {find.tags.map((tag) => (
                  <span key={tag.tag} className="tag" data-course={tag.color}>
                    {tag.tag}
                  </span>
                ))}{' '}
                <b>{find.title}</b> <span className="soft">{find.when}</span>
              </button>
            </li>
          ))}
        </ul>
      </section>
    ) : said.length === 0 && !leads ? (
      <p className="soft">{quickTexts.findsNothing}</p>
    ) : null;
  return (
    <>
      {looking ? found : null}
      {said.length > 0 || ready ? (
        <dl className={styles.pieces}>
          {ready ? (
            <div>
              <dt>{quickTexts.title}</dt>
              <dd>{ready.title}</dd>
            </div>
          ) : null}
          {said.map((piece) => (
            <div key={piece.from}>
              <dt>{piece.name}</dt>
              <dd>{piece.words}</dd>
            </div>
          ))}
        </dl>
      ) : null}
      {asks.map((ask) => (
        <div key={ask.question} className={styles.ask} role="group" aria-label={ask.question}>
          <p>{ask.question}</p>
          {ask.choices.map((choice) => (
            <Button key={choice.label} size="small" variant="outlined" onClick={() => onChoose(choice.line)}>
              {choice.label}
            </Button>
          ))}
        </div>
      ))}
      {leads ? (
        <div className={styles.save}>
          <p>
            <b>{leads.words}</b>
          </p>
          <Button size="small" variant="contained" onClick={onSave}>
            {leads.act}
          </Button>
        </div>
      ) : null}
      {ready ? (
        <div className={styles.save}>
          <p>
            <b>{panelTexts.whoSees}: </b>
            {ready.who}
          </p>
          {ready.closed ? <p className="notice">{ready.closed}</p> : null}
          {ready.load ? <p className="soft">{ready.load}</p> : null}
          <Button size="small" variant="contained" onClick={onSave}>
            {quickTexts.save({ title: ready.title })}
          </Button>
        </div>
      ) : null}
      {looking ? null : found}
    </>
  );
}
