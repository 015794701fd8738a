import { RETENTION_CLASSES } from '@/core/frame/retention';
import type { RetentionClass } from '@/core/frame/retention';
import { retentionTexts as say } from '@/core/texts/retention';
import { Field } from '../controls/Field';
import type { FieldErrors } from '../controls/callApi';
import styles from './School.module.css';

/** Days as they are typed; empty: always. */
export type RetentionDraft = Readonly<Record<RetentionClass, string>>;

/** For how long each class of what is held about people is kept. */
export function RetentionFields({
  value,
  errors,
  onChange,
}: Readonly<{ value: RetentionDraft; errors: FieldErrors; onChange: (value: RetentionDraft) => void }>) {
  return (
    <fieldset className={styles.retention}>
      <legend>{say.title}</legend>
      <p className="soft">{say.lead}</p>
      {RETENTION_CLASSES.map((name) => (
        <Field
          key={name}
          label={say.classes[name]}
          hint={say.hint(name)}
          type="number"
          min={7}
          value={value[name]}
          onChange={(days) => onChange({ ...value, [name]: days })}
          error={errors[`retention.${name}`]}
        />
      ))}
    </fieldset>
  );
}
