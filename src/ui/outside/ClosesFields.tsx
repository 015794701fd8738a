'use client';
import type { ClosureRule } from '@/core/outside/outsideCalendar';
import { outsideTexts as say } from '@/core/texts/outside';
import { Choice } from '../controls/Choice';
import { Field } from '../controls/Field';

/** A rule as it is typed. */
export type ClosesDraft = Readonly<{ kind: ClosureRule['kind']; words: string }>;

export const closesDraft = (rule: ClosureRule): ClosesDraft => ({
  kind: rule.kind,
  words: rule.kind === 'matching' ? rule.words.join(', ') : '',
});

export const closesFrom = ({ kind, words }: ClosesDraft): ClosureRule =>
  kind === 'matching' ? { kind, words: words.split(',').map((word) => word.trim()).filter(Boolean) } : { kind }; // prettier-ignore

/** Which days of a calendar are without classes. */
export function ClosesFields({
  value,
  onChange,
  error,
}: {
  value: ClosesDraft;
  onChange: (value: ClosesDraft) => void;
  error?: string;
}) {
  return (
    <>
      <Choice
        label={say.closes}
        value={value.kind}
        column
        options={(['none', 'matching', 'all'] as const).map((kind) => ({
          value: kind,
          label: say.closesOptions[kind],
        }))}
        onChange={(kind) => onChange({ ...value, kind })}
      />
      {value.kind === 'matching' ? (
        <Field
          label={say.words}
          value={value.words}
          onChange={(words) => onChange({ ...value, words })}
          error={error}
        />
      ) : null}
    </>
  );
}
