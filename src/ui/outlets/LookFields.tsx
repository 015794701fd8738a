'use client';
import dynamic from 'next/dynamic';
import { EMBED_VIEWS, ROW_HEIGHTS, SCHEMES } from '@/core/outlets/outlet';
import { COURSE_COLORS } from '@/core/plan/plan';
import { publishTexts as say } from '@/core/texts/publish';
import type { FieldErrors } from '../controls/callApi';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { options } from './ComposeFields';
import type { OutletDraft } from './outletDraft';
import { Tick } from '../controls/Ticks';

const DayField = dynamic(async () => (await import('../days/DayField')).DayField);

type Look = OutletDraft['look'];

/** What an embed shows first: the view, and what that needs. */
export function ViewFields({
  look,
  onChange,
  entries,
  errors,
}: {
  look: Look;
  onChange: (changes: Partial<Look>) => void;
  entries: readonly Readonly<{ id: string; label: string }>[];
  errors: FieldErrors;
}) {
  return (
    <>
      <Select
        label={say.view}
        value={look.view}
        options={options(say.views, EMBED_VIEWS)}
        onChange={(view) => onChange({ view })}
      />
      {look.view === 'day' ? (
        <DayField
          label={say.viewDate}
          value={look.date}
          onChange={(date) => onChange({ date })}
          error={errors['look.date']}
        />
      ) : null}
      {look.view === 'entry' ? (
        <Select
          label={say.viewEntry}
          value={look.entry}
          options={[{ value: '', label: '–' }, ...entries.map(({ id, label }) => ({ value: id, label }))]}
          onChange={(entry) => onChange({ entry })}
          error={errors['look.entry']}
        />
      ) : null}
    </>
  );
}

/** How an embed looks, folded away: it looks well as it is. */
export function LookFields({
  look,
  onChange,
  errors,
}: {
  look: Look;
  onChange: (changes: Partial<Look>) => void;
  errors: FieldErrors;
}) {
  const text = (key: 'title' | 'locale' | 'height', label: string) => (
    <Field
      label={label}
      value={look[key]}
      onChange={(value) => onChange({ [key]: value })}
      error={errors[`look.${key}`]}
    />
  );
  return (
    <>
      {text('title', say.lookTitle)}
      <Select
        label={say.scheme}
        value={look.scheme}
        options={options(say.schemes, SCHEMES)}
        onChange={(scheme) => onChange({ scheme })}
      />
      <Select
        label={say.color}
        value={look.color}
        options={['spruce', ...COURSE_COLORS].map((color) => ({ value: color, label: color }))}
        onChange={(color) => onChange({ color: color as Look['color'] })}
      />
      <Select
        label={say.rows}
        value={look.rows}
        options={options(say.rowHeights, ROW_HEIGHTS)}
        onChange={(rows) => onChange({ rows })}
      />
      {text('height', say.height)}
      {text('locale', say.locale)}
      <Select
        label={say.weekStart}
        value={look.weekStart}
        options={options(say.weekStarts, ['', '1', '7', '6'] as const)}
        onChange={(weekStart) => onChange({ weekStart })}
      />
      <Tick label={say.filters} checked={look.filters} onChange={(filters) => onChange({ filters })} />
      <Field
        label={say.origins}
        rows={2}
        value={look.origins}
        onChange={(origins) => onChange({ origins })}
        error={errors['look.origins'] ?? errors['look.origins.0']}
      />
    </>
  );
}
