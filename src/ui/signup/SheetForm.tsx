'use client';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { Temporal } from 'temporal-polyfill';
import { signupTexts } from '@/core/texts/signup';
import { formTexts } from '@/core/texts/forms';
import { weekStartOf } from '@/core/time/term';
import { Field } from '../controls/Field';
import type { PanelCourse } from '../entries/panelData';
import styles from './NewSheet.module.css';
import type { SheetDraft, SheetErrors } from './sheetDraft';
import { SheetGets } from './SheetGets';
import type { OfferingTerm } from './sheetPreview';
import { SheetRules } from './SheetRules';
import { SheetSentence } from './SheetSentence';
import { SheetWeek } from './SheetWeek';
import type { useSheetDraft } from './useSheetDraft';

export type SheetCourse = PanelCourse &
  Readonly<{ staff: readonly Readonly<{ id: string; name: string }>[] }>;
/** What offering and changing a sheet both begin with. */
export type SheetPage = Readonly<{
  courses: readonly SheetCourse[];
  term: OfferingTerm;
  /** The day from which days are meant: today, or the first of a term that is yet to come. */
  today: string;
  /** Who offers. */
  own: string;
  /** What Pembit's clock shows, in epoch milliseconds: the browser's own may be another. */
  nowMs: number;
}>;

type Props = Readonly<{
  page: SheetPage;
  draft: SheetDraft;
  change: (changes: Partial<SheetDraft>) => void;
  made: ReturnType<typeof useSheetDraft>;
  /** Errors of the facts are shown once saving was tried. */
  tried: boolean;
  serverErrors?: SheetErrors;
  onSubmit: () => void;
  children: ReactNode;
}>;

/** For whom, in a few words, and how many they are. */
export function whoMayCome(courses: readonly SheetCourse[], chosen: SheetDraft['courses']) {
  const own = courses.filter((course) => chosen[course.id]);
  const count = own.reduce((sum, course) => {
    const { sections, groups, people } = chosen[course.id]!;
    const named = [
      ...course.sections.filter((s) => sections.includes(s.id)),
      ...course.groups.filter((g) => groups.includes(g.id)),
    ];
    if (sections.length + groups.length + people.length === 0) return sum + course.students;
    return sum + named.reduce((all, part) => all + part.students, people.length);
  }, 0);
  return { words: own.map((course) => `${course.tag} ${course.title}`).join(', '), count };
}

/** The sentence over the painted week, and at the right what students will get. */
export function SheetForm({
  page,
  draft,
  change,
  made,
  tried,
  serverErrors = {},
  onSubmit,
  children,
}: Props) {
  const { typed, preview, stretches } = made;
  const today = Temporal.PlainDate.from(page.today);
  const [first, setFirst] = useState(() => weekStartOf(today).toString());
  const start = Temporal.PlainDate.from(first);
  const weekend = stretches.some(({ date }) => date.dayOfWeek > 5 && weekStartOf(date).equals(start));
  const errors = { ...typed.errors, ...(tried ? made.facts.errors : {}), ...serverErrors };
  const who = whoMayCome(page.courses, draft.courses);
  const chosen = page.courses.filter((course) => draft.courses[course.id]);
  const colleagues = (chosen[0]?.staff ?? []).filter(({ id }) =>
    chosen.every((course) => course.staff.some((other) => other.id === id)),
  );
  return (
    <form
      className={styles.page}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onSubmit();
      }}
    >
      <div className={styles.main}>
        <SheetSentence draft={draft} errors={errors} set={change} audience={who.words} />
        <Field
          label={signupTexts.fields.typed}
          hint={signupTexts.fields.typedHint}
          value={draft.typed}
          onChange={(text) => change({ typed: text })}
          error={draft.typed.trim() === '' ? undefined : errors.typed}
        />
        {typed.readings.length > 0 ? (
          <div className={styles.readings} role="group" aria-label={formTexts.errors.which}>
            {typed.readings.map((reading) => (
              <Button
                key={reading}
                size="small"
                variant="outlined"
                onClick={() => change({ typed: reading })}
              >
                {reading}
              </Button>
            ))}
          </div>
        ) : null}
        {typed.twoDays ? (
          <Button variant="outlined" onClick={() => made.overMidnight(typed.twoDays!)}>
            {signupTexts.overMidnight}
          </Button>
        ) : null}
        <SheetWeek
          first={first}
          days={weekend ? 7 : 5}
          stretches={stretches}
          preview={preview}
          term={page.term}
          onPaint={made.paint}
          onErase={made.erase}
          onToggle={made.toggle}
          onWeek={setFirst}
        />
        <SheetRules
          draft={draft}
          errors={errors}
          set={change}
          courses={page.courses}
          colleagues={colleagues}
        />
      </div>
      <aside className={styles.aside}>
        <SheetGets preview={preview} students={who.count} onAllTheSame={made.allTheSame} />
        {children}
      </aside>
    </form>
  );
}
