import type { FieldErrors } from '../controls/callApi';
import type { EntryDraft } from './entryDraft';
import type { DraftReading } from './readDraft';

type TextKey = {
  [K in keyof EntryDraft]: EntryDraft[K] extends string ? (string extends EntryDraft[K] ? K : never) : never;
}[keyof EntryDraft];

/** What every part of the form works with. */
export type FormFields = Readonly<{
  draft: EntryDraft;
  set: (changes: Partial<EntryDraft>) => void;
  errors: FieldErrors;
  /** The props of a text field, by the name of what it holds. */
  text: (key: TextKey) => { value: string; onChange: (value: string) => void; error?: string };
  /** The same for a time, with both readings when it means two things. */
  time: (key: TextKey) => {
    value: string;
    onChange: (value: string) => void;
    error?: string;
    readings?: readonly string[];
  };
  readings: (field: string) => readonly string[] | undefined;
}>;

export function fieldsOf(
  draft: EntryDraft,
  onChange: (draft: EntryDraft) => void,
  { errors, reading }: { errors: FieldErrors; reading: DraftReading },
): FormFields {
  const set = (changes: Partial<EntryDraft>) => onChange({ ...draft, ...changes });
  const text = (key: TextKey) => ({
    value: draft[key],
    onChange: (value: string) => set({ [key]: value }),
    error: errors[key],
  });
  // A question is asked as soon as it arises, not only when saving.
  const readings = (field: string) =>
    reading.ok ? undefined : reading.questions.find((q) => q.field === field)?.readings;
  return { draft, set, errors, text, readings, time: (key) => ({ ...text(key), readings: readings(key) }) };
}
