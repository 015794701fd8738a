'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { SlidePreview } from '@/core/plan/slidePreview';
import { slideTexts as say } from '@/core/texts/slide';
import { panelTexts } from '@/core/texts/term';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import { useMessages } from '../controls/Messages';
import { Select } from '../controls/Select';
import form from '../entries/EntryForm.module.css';
import type { PanelCourse } from '../entries/panelData';
import type { Sliding } from './panelState';
import styles from './SlidePanel.module.css';

const OVERFLOWS = Object.entries(say.overflows).map(([value, label]) => ({ value, label }));

/** Sliding along the classes: every from and to is shown before anything moves. */
export function SlidePanel({
  sliding,
  course,
  onDone,
}: {
  sliding: Sliding;
  course: PanelCourse | undefined;
  onDone: () => void;
}) {
  const router = useRouter();
  const message = useMessages();
  const [by, setBy] = useState('1');
  const [section, setSection] = useState('');
  const [overPins, setOverPins] = useState(false);
  const [overflow, setOverflow] = useState<Readonly<Record<string, string>>>({});
  const [along, setAlong] = useState<ReadonlySet<string>>(new Set());
  const [preview, setPreview] = useState<SlidePreview>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const path = `/api/courses/${sliding.course}/slide`;
  const what =
    sliding.act === 'later'
      ? { act: 'later', plan: sliding.plan, overPins }
      : { act: 'forward', into: sliding.into };
  const asked = JSON.stringify({ ...what, by: Number(by), ...(section ? { sections: [section] } : {}) });

  useEffect(() => {
    let wanted = true;
    void callApi<SlidePreview>('POST', `${path}/preview`, JSON.parse(asked)).then((answer) => {
      if (!wanted) return;
      setPreview(answer.ok ? answer.value : undefined);
      setProblem(answer.ok ? undefined : (Object.values(answer.fields)[0] ?? answer.message));
    });
    return () => {
      wanted = false;
    };
  }, [path, asked]);

  const save = async () => {
    setBusy(true);
    const more = sliding.act === 'later' ? { overflow } : {};
    const body = { ...(JSON.parse(asked) as object), ...more, along: [...along] };
    const answer = await callApi<{ moved: number }>('POST', path, body);
    setBusy(false);
    if (!answer.ok) return setProblem(Object.values(answer.fields)[0] ?? answer.message);
    const first = preview?.moves[0];
    const text = say.slid({ n: answer.value.moved, first: first?.title ?? '', to: first?.to ?? '' });
    message(text, answer.history);
    onDone();
    router.refresh();
  };
  const toggle = (id: string) => {
    const next = new Set(along);
    if (!next.delete(id)) next.add(id);
    setAlong(next);
  };
  const homeless = preview?.moves.filter((move) => !move.fits) ?? [];
  const sections = course?.sections ?? [];

  return (
    <form
      className={form.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <p className="soft">{sliding.act === 'later' ? say.lead : say.forwardLead}</p>
      <div className={form.row}>
        <Field label={say.by} value={by} onChange={setBy} />
        {sections.length > 1 ? (
          <Select
            label={say.sections}
            value={section}
            options={[
              { value: '', label: say.allSections },
              ...sections.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={setSection}
          />
        ) : null}
      </div>
      {sliding.act === 'later' ? (
        <FormControlLabel
          control={<Checkbox checked={overPins} onChange={(event) => setOverPins(event.target.checked)} />}
          label={say.overPins}
        />
      ) : null}
      <div aria-live="polite" className={styles.preview}>
        {preview ? (
          <>
            <h3>{say.moves}</h3>
            <ol className={styles.moves}>
              {preview.moves.map((move) => (
                <li key={`${move.plan} ${move.section}`}>
                  <b>{move.title}</b>{' '}
                  {move.section ? <span className="soft">{say.section({ names: move.section })}</span> : null}
                  <br />
                  <span className="numbers">{say.line(move.from, move.to || panelTexts.nowhere)}</span>
                </li>
              ))}
            </ol>
            {preview.follows.length > 0 ? (
              <>
                <h3>{say.follows}</h3>
                <ul className={styles.moves}>
                  {preview.follows.map((entry) => (
                    <li key={entry.title}>
                      <b>{entry.title}</b>
                      <br />
                      <span className="numbers">{say.line(entry.from, entry.to)}</span>
                    </li>
                  ))}
                </ul>
              </>
            ) : null}
          </>
        ) : null}
      </div>
      {[...new Map(homeless.map((move) => [move.plan, move])).values()].map((move) => (
        <Select
          key={move.plan}
          label={say.overflow({ title: move.title })}
          value={overflow[move.plan] ?? 'keep'}
          options={OVERFLOWS}
          onChange={(choice) => setOverflow({ ...overflow, [move.plan]: choice })}
        />
      ))}
      {preview && preview.offered.length > 0 ? (
        <fieldset className={form.links}>
          <legend>{say.offered}</legend>
          {preview.offered.map((entry) => (
            <FormControlLabel
              key={entry.id}
              control={<Checkbox checked={along.has(entry.id)} onChange={() => toggle(entry.id)} />}
              label={`${entry.title}: ${say.line(entry.from, entry.to)}`}
            />
          ))}
        </fieldset>
      ) : null}
      {problem ? (
        <p role="alert" className={form.error}>
          {problem}
        </p>
      ) : null}
      <div className={`${form.save} ${form.buttons}`}>
        <Button type="submit" variant="contained" disabled={busy || !preview}>
          {(sliding.act === 'later' ? say.slide : say.pull)({ n: preview?.plans ?? 0 })}
        </Button>
        <Button variant="outlined" onClick={onDone}>
          {panelTexts.cancel}
        </Button>
      </div>
    </form>
  );
}
