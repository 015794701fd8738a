'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { CarryInputJson } from '@/core/carryover/carry';
import { carryTexts as say } from '@/core/texts/carryOver';
import { planFileTexts as files } from '@/core/texts/planFiles';
import { callApi } from '../controls/callApi';
import { sayOnNextPage } from '../controls/Messages';
import { Select } from '../controls/Select';
import { UploadField } from '../controls/UploadField';
import { Tick } from '../controls/Ticks';
import styles from './CarryOver.module.css';
import { CarryTable } from './CarryTable';
import type { CarryPreviewView } from './carryView';

type Option = Readonly<{
  term: string; id: string; name: string; code: string; weeks: number; outlets: readonly Readonly<{ id: string; name: string }>[] }>; // prettier-ignore
const IN_FILE = 'file ';

/** A plan package that was sent, and its courses. */
type Saved = Readonly<{ file: string; courses: readonly Readonly<{ id: string; name: string }>[] }>;
type PlanPreview = Readonly<{ outline: boolean; courses: readonly Readonly<{ id: string; code: string; title: string }>[] }>; // prettier-ignore
type Choices = NonNullable<CarryInputJson['choices']>;
type Mapping = NonNullable<CarryInputJson['mapping']>;

const options = <K extends string>(labels: Readonly<Record<K, string>>) =>
  (Object.keys(labels) as K[]).map((value) => ({ value, label: labels[value] }));

/** A plan beside what it becomes in another course: each day can be changed, then it is one act. */
export function CarryOver({
  courses,
  from: first,
  to: into,
  week: asWeek,
  preview: given,
}: {
  courses: readonly Option[];
  from: string;
  to: string;
  /** One week of the plan alone. */
  week?: number;
  preview: CarryPreviewView | undefined;
}) {
  const router = useRouter();
  const [from, setFrom] = useState(first);
  const [to, setTo] = useState(into);
  const [mapping, setMapping] = useState<Mapping>(asWeek ? 'weeks' : 'meetings');
  const [week, setWeek] = useState(asWeek ? String(asWeek) : '');
  const [hanging, setHanging] = useState<'days' | 'own'>('days');
  const [visible, setVisible] = useState<'asBefore' | 'drafts'>('asBefore');
  const [choices, setChoices] = useState<Choices>({});
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [preview, setPreview] = useState(given);
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);
  const [saved, setSaved] = useState<Saved>();
  // A course of a file may have the id of the course that it was saved from.
  const inFile = saved?.courses.find((course) => IN_FILE + course.id === from);
  const asked = {
    from: inFile?.id ?? from,
    to,
    file: inFile && saved?.file,
    week: !inFile && week ? Number(week) : undefined,
    mapping,
    hanging,
    drafts: visible === 'drafts',
    choices,
  };
  const key = JSON.stringify(asked);
  const shown = useRef(key);

  useEffect(() => {
    if (shown.current === key || from === '') return;
    shown.current = key;
    // An answer that is overtaken by another question is thrown away.
    void callApi<CarryPreviewView>('POST', '/api/carry-over/preview', JSON.parse(key) as object).then(
      (answer) => {
        if (shown.current !== key) return;
        setPreview(answer.ok ? answer.value : undefined);
        setMessage(answer.ok ? undefined : (Object.values(answer.fields)[0] ?? answer.message));
      },
    );
  }, [key, from]);

  const target = courses.find(({ id }) => id === to);
  const source = courses.find(({ id }) => id === from);
  const carry = async () => {
    setBusy(true);
    const outlets = week ? [] : ticked.filter((id) => source?.outlets.some((o) => o.id === id));
    const answer = await callApi<{ carried: number; code: string }>('POST', '/api/carry-over', { ...asked, outlets }); // prettier-ignore
    setBusy(false);
    if (!answer.ok) return setMessage(Object.values(answer.fields)[0] ?? answer.message);
    sayOnNextPage(say.carried({ n: answer.value.carried, to: answer.value.code }), answer.history);
    // Where it now stands, in whichever term that is.
    router.push(`/term?term=${target?.term ?? ''}`);
    router.refresh();
  };
  const choose = (id: string, choice: Choices[string]) =>
    setChoices({ ...choices, [id]: { ...choices[id], ...choice } });
  /** What was chosen for single lines holds for one pair of courses. */
  const anew = (set: (id: string) => void) => (id: string) => {
    set(id);
    setChoices({});
  };
  const names = courses.map(({ id, name }) => ({ value: id, label: name }));
  const sources = [
    ...(from === '' ? [{ value: '', label: say.none }] : []),
    ...(saved?.courses ?? []).map(({ id, name }) => ({ value: IN_FILE + id, label: name })),
    ...names.filter(({ value }) => value !== to),
  ];
  const open = async (sent: string | undefined) => {
    if (!sent) return;
    const answer = await callApi<PlanPreview>('POST', '/api/plans/preview', { file: sent });
    if (!answer.ok) return setMessage(Object.values(answer.fields)[0] ?? answer.message);
    const { courses: held, outline } = answer.value;
    setSaved({ file: sent, courses: held.map(({ id, code, title }) => ({ id, name: files.inFile({ code, title, outline }) })) }); // prettier-ignore
    anew(setFrom)(IN_FILE + held[0]!.id);
  };
  return (
    <>
      <h1>{say.heading({ to: target?.code ?? '' })}</h1>
      <p className="soft">{say.lead}</p>
      <div className={styles.head}>
        <Select label={say.from} value={from} options={sources} onChange={anew(setFrom)} />
        <Select
          label={say.to}
          value={to}
          options={names.filter(({ value }) => value !== from)}
          onChange={anew(setTo)}
        />
        {source ? (
          <Select
            label={say.howMuch}
            value={week}
            options={[
              { value: '', label: say.whole },
              ...Array.from({ length: source.weeks }, (_, i) => ({
                value: String(i + 1),
                label: say.oneWeek({ n: i + 1 }),
              })),
            ]}
            onChange={(chosen) => {
              anew(setWeek)(chosen);
              setMapping(chosen ? 'weeks' : 'meetings');
            }}
          />
        ) : null}
        <Select label={say.visible} value={visible} options={options(say.visibles)} onChange={setVisible} />
        <Select label={say.mapping} value={mapping} options={options(say.mappings)} onChange={setMapping} />
        <Select label={say.hanging} value={hanging} options={options(say.hangings)} onChange={setHanging} />
        <UploadField
          label={files.fromFile}
          as="package"
          accept=".zip,application/zip"
          onFile={(sent) => void open(sent?.id)}
        />
      </div>
      {message ? (
        <p role="alert" className={styles.error}>
          {message}
        </p>
      ) : null}
      {preview === undefined ? (
        from === '' ? (
          <div className="empty">
            <p>{say.onlyOne}</p>
          </div>
        ) : null
      ) : preview.rows.length === 0 ? (
        <div className="empty">
          <h2>{say.nothingTitle}</h2>
          <p>{week ? say.nothingInWeek : say.nothingLead}</p>
        </div>
      ) : (
        <>
          <CarryTable preview={preview} choices={choices} onChoose={choose} />
          <div className={styles.foot}>
            {source && source.outlets.length > 0 && !week ? (
              <fieldset className={styles.outlets}>
                <legend>{say.outlets}</legend>
                <p className="soft">{say.outletsLead}</p>
                {source.outlets.map((outlet) => (
                  <Tick
                    key={outlet.id}
                    label={outlet.name}
                    checked={ticked.includes(outlet.id)}
                    onChange={(on) =>
                      setTicked(on ? [...ticked, outlet.id] : ticked.filter((id) => id !== outlet.id))
                    }
                  />
                ))}
              </fieldset>
            ) : null}
            <div className={styles.act}>
              <Button
                variant="contained"
                disabled={busy || preview.carried === 0}
                onClick={() => void carry()}
              >
                {say.act({ n: preview.carried, to: target?.code ?? '' })}
              </Button>
              <p className="soft">
                {visible === 'drafts' ? say.asDrafts : say.atOnce({ n: preview.students })}
                {preview.along ? ` ${preview.along}.` : ''}
              </p>
            </div>
          </div>
        </>
      )}
    </>
  );
}
