import type { EntryDraft } from './entryDraft';

/** A course as the panel offers it. */
export type PanelCourse = Readonly<{
  id: string;
  tag: string;
  title: string;
  color: string;
  students: number;
  sections: readonly Readonly<{ id: string; name: string; students: number }>[];
}>;

/** An entry as the panel shows it, formatted, with the draft that editing starts from. */
export type PanelEntry = Readonly<{
  id: string;
  sequence: number;
  kindLabel: string;
  tags: readonly Readonly<{ tag: string; color: string; title: string }>[];
  title: string;
  when: string;
  dates: readonly Readonly<{ label: string; value: string }>[];
  place: string;
  handIn: string;
  description: string;
  links: readonly Readonly<{ url: string; label: string; staffOnly: boolean }>[];
  who: string;
  release: string;
  shown: boolean;
  editable: boolean;
  draft: EntryDraft;
}>;
