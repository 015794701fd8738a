import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { STAFF_ROLES } from '@/core/may/role';
import { staffTexts as say } from '@/core/texts/staff';
import type { FieldErrors } from '../controls/callApi';
import { DayField } from '../days/DayField';
import { Select } from '../controls/Select';
import styles from './School.module.css';
import type { RoleDraft } from './roleDraft';

/** What somebody is on a staff: the role, and for those who help where and when. */
export function StaffRoleFields({
  draft,
  sections,
  errors,
  onChange,
}: Readonly<{
  draft: RoleDraft;
  sections: readonly Readonly<{ id: string; name: string }>[];
  errors: FieldErrors;
  onChange: (draft: RoleDraft) => void;
}>) {
  const helps = draft.role === 'assistant' || draft.role === 'substitute';
  const tick = (id: string) =>
    onChange({
      ...draft,
      sections: draft.sections.includes(id)
        ? draft.sections.filter((s) => s !== id)
        : [...draft.sections, id],
    });
  return (
    <>
      <Select
        label={say.role}
        value={draft.role}
        options={STAFF_ROLES.map((role) => ({ value: role, label: say.roles[role] }))}
        onChange={(role) => onChange({ ...draft, role })}
        error={errors.role}
      />
      <p className="soft">{say.roleSays[draft.role]}</p>
      {helps && sections.length > 1 ? (
        <fieldset className={styles.picks}>
          <legend>{say.sections}</legend>
          {sections.map(({ id, name }) => (
            <FormControlLabel
              key={id}
              label={name}
              control={
                <Checkbox size="small" checked={draft.sections.includes(id)} onChange={() => tick(id)} />
              }
            />
          ))}
        </fieldset>
      ) : null}
      {draft.role === 'substitute' ? (
        <div className={styles.row}>
          <DayField
            label={say.firstDay}
            value={draft.from}
            onChange={(from) => onChange({ ...draft, from })}
            error={errors.from}
          />
          <DayField
            label={say.lastDay}
            value={draft.until}
            onChange={(until) => onChange({ ...draft, until })}
            error={errors.until}
          />
        </div>
      ) : null}
    </>
  );
}
