'use client';
import { panelTexts } from '@/core/texts/term';
import { Choice } from '../controls/Choice';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import styles from './EntryForm.module.css';
import type { FormFields } from './fieldsOf';
import { TimeField } from './TimeField';

/** When students begin, and cease, to see it. */
export function VisibilityFields({ fields }: { fields: FormFields }) {
  const { draft, set, text, time } = fields;
  return (
    <>
      <Choice
        label={panelTexts.visibility}
        value={draft.visibility}
        options={[
          { value: 'visible', label: panelTexts.visibleNow },
          { value: 'before', label: panelTexts.visibleBefore },
          { value: 'from', label: panelTexts.visibleFrom },
          { value: 'draft', label: panelTexts.visibleDraft },
        ]}
        column
        onChange={(visibility) => set({ visibility })}
      />
      {draft.visibility === 'before' ? <Field label={panelTexts.daysBefore} {...text('daysBefore')} /> : null}
      {draft.visibility === 'from' ? (
        <div className={styles.row}>
          <DayField label={panelTexts.shownFromDay} {...text('fromDay')} />
          <TimeField label={panelTexts.shownFromTime} {...time('fromTime')} />
        </div>
      ) : null}
      <details open={draft.hiddenDay !== ''}>
        <summary>{panelTexts.hiddenAfter}</summary>
        <div className={styles.row}>
          <DayField label={panelTexts.hiddenAfter} hint={panelTexts.hiddenHint} {...text('hiddenDay')} />
          <TimeField label={panelTexts.time} {...time('hiddenTime')} />
        </div>
      </details>
    </>
  );
}
