'use client';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import type { MaterialKind } from '@/core/materials/material';
import { materialTexts } from '@/core/texts/materials';
import { packageTexts as say } from '@/core/texts/packages';
import { Progress } from '../controls/Progress';
import { sendFile } from '../controls/sendFile';
import { useLongWork } from '../controls/useLongWork';
import styles from './Materials.module.css';

type State = 'new' | 'changed' | 'same';
type Preview = Readonly<{
  lines: readonly Readonly<{ title: string; kind: MaterialKind; depth: number; state: State }>[];
  skipped: readonly Readonly<{ title: string; why: string }>[];
  gone: readonly string[];
}>;
type Imported = Readonly<{ added: number; changed: number }>;

/** A Common Cartridge brought into the outline; what it adds and changes is shown first. */
export function PackageImport({ course }: { course: string }) {
  const { run, stop, progress, message } = useLongWork();
  const stopping = useRef<AbortController>(undefined);
  const [percent, setPercent] = useState<number>();
  const [failure, setFailure] = useState<string>();
  const [file, setFile] = useState<string>();
  const [preview, setPreview] = useState<Preview>();
  const path = `/api/courses/${course}/materials/package`;

  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    const controller = new AbortController();
    stopping.current = controller;
    setPreview(undefined);
    setFailure(undefined);
    setPercent(0);
    const sent = await sendFile(chosen, {
      as: 'package',
      onPercent: setPercent,
      signal: controller.signal,
    });
    setPercent(undefined);
    if (!sent.ok) return setFailure(sent.message);
    setFile(sent.value.id);
    setPreview(await run<Preview>(`${path}/preview`, { file: sent.value.id }));
  };
  const bring = async () => {
    const done = await run<Imported>(path, { file }, ({ added, changed }) =>
      say.imported({ added, changed }),
    );
    if (done) setPreview(undefined);
  };
  const count = (state: State) => preview?.lines.filter((line) => line.state === state).length ?? 0;
  const news = count('new') + count('changed');
  return (
    <div className={styles.form}>
      <p className="soft">{say.lead}</p>
      {percent !== undefined ? (
        <Progress
          words={say.sending({ percent })}
          share={percent / 100}
          onStop={() => stopping.current?.abort()}
        />
      ) : progress ? (
        <Progress
          words={say.reading({ done: progress.done, of: progress.of })}
          share={progress.of === 0 ? 0 : progress.done / progress.of}
          onStop={stop}
        />
      ) : (
        <label>
          {say.choose}{' '}
          <input
            type="file"
            accept=".imscc,.zip"
            onChange={(event) => {
              const [chosen] = event.target.files ?? [];
              event.target.value = '';
              void choose(chosen);
            }}
          />
        </label>
      )}
      {(failure ?? message) ? <p role="alert">{failure ?? message}</p> : null}
      {preview && !progress ? (
        <>
          <ul className={styles.preview} aria-label={say.title}>
            {preview.lines.map((line, i) => (
              <li key={i} data-kind={line.kind} style={{ paddingLeft: line.depth * 16 }}>
                {line.title}{' '}
                <span className="soft">
                  {materialTexts.kinds[line.kind]} · {materialTexts.states[line.state]}
                </span>
              </li>
            ))}
          </ul>
          {preview.skipped.length > 0 ? (
            <>
              <h3>{say.left}</h3>
              <ul className={styles.preview}>
                {preview.skipped.map(({ title, why }, i) => (
                  <li key={i} className={styles.fault}>
                    {title}: {why}
                  </li>
                ))}
              </ul>
            </>
          ) : null}
          {preview.gone.length > 0 ? <p className="soft">{say.gone({ titles: preview.gone })}</p> : null}
          {news === 0 ? (
            <p className="notice">{say.nothingNew}</p>
          ) : (
            <div className={styles.buttons}>
              <Button variant="contained" onClick={() => void bring()}>
                {say.bring({ added: count('new'), changed: count('changed') })}
              </Button>
            </div>
          )}
        </>
      ) : null}
    </div>
  );
}
