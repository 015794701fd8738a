'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import dynamic from 'next/dynamic';
import { signupTexts } from '@/core/texts/signup';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { AudienceFields } from '../entries/AudienceFields';
import type { PanelCourse } from '../entries/panelData';
import styles from './NewSheet.module.css';
import type { SheetDraft, SheetErrors } from './sheetDraft';

const { fields } = signupTexts;
/** Folded away at first: it comes when the page stands. */
const LinkFields = dynamic(async () => (await import('../entries/LinkFields')).LinkFields);

type Props = Readonly<{
  draft: SheetDraft;
  errors: SheetErrors;
  set: (changes: Partial<SheetDraft>) => void;
  courses: readonly PanelCourse[];
  /** Who teaches all the courses chosen. */
  colleagues: readonly Readonly<{ id: string; name: string }>[];
}>;

/** The rules that a sheet can have beside its sentence. */
export function SheetRules({ draft, errors, set, courses, colleagues }: Props) {
  const text = (field: keyof SheetDraft & string, label: string) => ({
    label,
    value: draft[field] as string,
    onChange: (value: string) => set({ [field]: value } as Partial<SheetDraft>),
    error: errors[field],
  });
  const tick = (field: 'namesShown' | 'waitingList' | 'together' | 'asks' | 'whole', label: string) => (
    <FormControlLabel
      control={
        <Checkbox checked={draft[field]} onChange={(event) => set({ [field]: event.target.checked })} />
      }
      label={label}
    />
  );
  return (
    <details className={styles.rules} open={Object.keys(errors).some((field) => field in RULES) || undefined}>
      <summary>{signupTexts.more}</summary>
      <div className={styles.ruleFields}>
        <AudienceFields
          courses={courses}
          chosen={draft.courses}
          onChange={(chosen) => set({ courses: chosen })}
          error={errors.courses}
        />
        <div className={styles.pair}>
          <Field {...text('perDay', fields.perDay)} />
          <Field {...text('perWeek', fields.perWeek)} />
        </div>
        <div className={styles.pair}>
          <DayField {...text('opensDay', fields.opens)} />
          <Field {...text('opensTime', fields.clock)} />
        </div>
        <div className={styles.pair}>
          <DayField {...text('closesDay', fields.closes)} />
          <Field {...text('closesTime', fields.clock)} />
        </div>
        <Field {...text('breaks', fields.breaks)} hint={fields.breaksHint} />
        {tick('whole', fields.whole)}
        {tick('namesShown', fields.namesShown)}
        {tick('waitingList', fields.waitingList)}
        {tick('asks', fields.question)}
        {draft.asks ? (
          <>
            <Field {...text('question', fields.question)} />
            <Field rows={3} {...text('choices', fields.choices)} />
          </>
        ) : null}
        {colleagues.length > 1 ? (
          <fieldset className={styles.hosts}>
            <legend>{fields.hosts}</legend>
            {colleagues.map(({ id, name }) => (
              <FormControlLabel
                key={id}
                control={
                  <Checkbox
                    checked={draft.hosts.includes(id)}
                    onChange={() =>
                      set({
                        hosts: draft.hosts.includes(id)
                          ? draft.hosts.filter((other) => other !== id)
                          : [...draft.hosts, id],
                      })
                    }
                  />
                }
                label={name}
              />
            ))}
            {tick('together', fields.together)}
          </fieldset>
        ) : null}
        <LinkFields
          links={draft.links}
          courses={Object.keys(draft.courses)}
          onChange={(links) => set({ links })}
          errors={{}}
        />
      </div>
    </details>
  );
}

const RULES = { courses: 1, perDay: 1, perWeek: 1, opensTime: 1, closesTime: 1, breaks: 1, question: 1 };
