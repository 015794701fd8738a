'use client';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts, schoolTexts } from '@/core/texts/school';
import { dateLabel, rangeLabel, timeLabel } from '@/core/time/dateLabels';
import { isoDay } from '@/core/time/typedDay';
import { readRange } from '@/core/time/typedTime';
import type { Strand } from '@/core/time/classNumber';
import { entryTexts } from '@/core/texts/entries';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { useSubmit } from '../controls/useSubmit';
import { DayField } from '../days/DayField';
import { FormBox } from './FormBox';
import styles from './School.module.css';

type Section = Readonly<{
  id: string;
  name: string;
  typed: string;
  firstDay: string;
  lastDay: string;
  strands: readonly Exclude<Strand, 'week'>[];
}>;

/** A day that a form sent, in words. */
const spoken = (day: string): string => {
  const read = isoDay(day);
  return read ? dateLabel(read) : day;
};

/** Fields of a form that are all text, each with its error. */
function useTexts<T extends Readonly<Record<string, string>>>(start: T) {
  const submitting = useSubmit();
  const [value, setValue] = useState(start);
  const field = (key: keyof T & string) => ({
    value: value[key]!,
    onChange: (text: string) => setValue({ ...value, [key]: text }),
    error: submitting.errors[key],
  });
  return { ...submitting, value, setValue, field };
}

/** When a section meets, from a day on. */
function WeekForm({ section, today }: { section: Section; today: string }) {
  const { submit, message, busy, value, field } = useTexts({ week: section.typed, from: today });
  return (
    <FormBox
      summary={courseTexts.changeWeek}
      action={courseTexts.saveWeek}
      onSubmit={() =>
        submit('PUT', `/api/sections/${section.id}/pattern`, value, () =>
          frameHistoryTexts.changedWeek({ name: section.name, day: spoken(value.from) }),
        )
      }
      message={message}
      disabled={busy}
    >
      <Field label={courseTexts.meets} hint={courseTexts.weekHint} {...field('week')} />
      <DayField label={courseTexts.from} {...field('from')} />
    </FormBox>
  );
}

/** Other rooms from a day on, or between two. */
function RoomsForm({ section, today }: { section: Section; today: string }) {
  const { submit, message, busy, value, field } = useTexts({ place: '', from: today, until: '' });
  return (
    <FormBox
      summary={courseTexts.changeRooms}
      action={courseTexts.saveRooms}
      onSubmit={() =>
        submit(
          'PUT',
          `/api/sections/${section.id}/rooms`,
          { ...value, until: value.until || undefined },
          () => frameHistoryTexts.changedRooms({ name: section.name, day: spoken(value.from) }),
        )
      }
      message={message}
      disabled={busy}
    >
      <Field label={courseTexts.room} hint={courseTexts.roomHint} {...field('place')} />
      <div className={styles.row}>
        <DayField label={courseTexts.from} {...field('from')} />
        <DayField label={schoolTexts.lastDay} hint={courseTexts.untilHint} {...field('until')} />
      </div>
    </FormBox>
  );
}

/** Typed hours as they were understood; of two readings the later, and over midnight where they end before they begin. */
function hoursTyped(start: string, end: string) {
  const read = readRange(`${start}-${end}`, { nights: true });
  if (read.kind === 'ask') return read.readings[0];
  return read.kind === 'range' ? read : undefined;
}

/** A class outside of the pattern. */
function ExtraClassForm({ section }: { section: Section }) {
  const empty = { date: '', start: '', end: '', place: '', strand: '' };
  const { submit, message, busy, value, setValue, field } = useTexts(empty);
  const range = hoursTyped(value.start, value.end);
  return (
    <FormBox
      summary={courseTexts.addClass}
      action={courseTexts.saveClass}
      onSubmit={async () => {
        const times = range ? { start: timeLabel(range.start), end: timeLabel(range.end) } : {};
        const answer = await submit(
          'POST',
          `/api/sections/${section.id}/classes`,
          { ...value, ...times, strand: value.strand || undefined },
          () => frameHistoryTexts.addedClass({ name: section.name, day: spoken(value.date) }),
        );
        if (answer.ok) setValue(empty);
      }}
      message={message}
      disabled={busy}
    >
      {section.strands.length > 0 ? (
        <Select
          label={courseTexts.whatItIs}
          value={value.strand}
          options={[undefined, ...section.strands].map((strand) => ({
            value: strand ?? '',
            label: entryTexts.strand(strand),
          }))}
          onChange={(strand) => setValue({ ...value, strand })}
        />
      ) : null}
      <DayField label={courseTexts.day} {...field('date')} />
      <div className={styles.row}>
        <Field label={courseTexts.start} {...field('start')} />
        <Field label={courseTexts.end} hint={range && rangeLabel(range.start, range.end)} {...field('end')} />
      </div>
      <Field label={courseTexts.room} hint={courseTexts.roomHint} {...field('place')} />
    </FormBox>
  );
}

/** What a section is called, and its own first and last days. */
function FactsForm({ section }: { section: Section }) {
  const { name, firstDay, lastDay } = section;
  const { submit, message, busy, value, field } = useTexts({ name, firstDay, lastDay });
  return (
    <FormBox
      summary={courseTexts.changeSection}
      action={courseTexts.saveSectionFacts}
      onSubmit={() =>
        submit(
          'PUT',
          `/api/sections/${section.id}`,
          { name: value.name, firstDay: value.firstDay || undefined, lastDay: value.lastDay || undefined },
          () => frameHistoryTexts.changedSection({ name: value.name }),
        )
      }
      message={message}
      disabled={busy}
    >
      <Field label={courseTexts.sectionName} {...field('name')} />
      <div className={styles.row}>
        <DayField label={schoolTexts.firstDay} hint={courseTexts.ownDaysHint} {...field('firstDay')} />
        <DayField label={schoolTexts.lastDay} {...field('lastDay')} />
      </div>
    </FormBox>
  );
}

/** What can be changed about when and where a section meets. */
export const SectionFrame = ({ section, today }: { section: Section; today: string }) => (
  <div className={styles.forms}>
    <WeekForm key={section.typed} section={section} today={today} />
    <RoomsForm section={section} today={today} />
    <ExtraClassForm section={section} />
    <FactsForm key={`${section.name} ${section.firstDay} ${section.lastDay}`} section={section} />
  </div>
);
