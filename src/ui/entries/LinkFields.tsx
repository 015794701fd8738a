'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { fileTexts } from '@/core/texts/files';
import { materialTexts } from '@/core/texts/materials';
import { panelTexts } from '@/core/texts/term';
import { AttachFile } from '../controls/AttachFile';
import type { FieldErrors } from '../controls/callApi';
import { Field } from '../controls/Field';
import styles from './EntryForm.module.css';
import { materialLink } from './draftLinks';
import type { EntryDraft } from './entryDraft';
import { MaterialPicker } from './MaterialPicker';

type Links = EntryDraft['links'];

/** A link before the one above it: students find them in this order. */
const upward = (links: Links, at: number): Links =>
  links.map((link, i) => (i === at - 1 ? links[at]! : i === at ? links[at - 1]! : link));

export function LinkFields({
  links,
  courses,
  onChange,
  errors,
}: {
  links: Links;
  /** Whose materials can be linked. */
  courses: readonly string[];
  onChange: (links: Links) => void;
  errors: FieldErrors;
}) {
  const change = (at: number, changes: Partial<Links[number]>) =>
    onChange(links.map((link, i) => (i === at ? { ...link, ...changes } : link)));
  return (
    <fieldset className={styles.links}>
      <legend>{panelTexts.links}</legend>
      {links.map((link, i) => (
        <div key={i} className={styles.link}>
          {link.material ? (
            <p>
              <b>{materialTexts.linked({ title: link.title ?? '' })}</b>
            </p>
          ) : link.file ? null : (
            <Field
              label={panelTexts.linkUrl}
              type="url"
              value={link.url}
              onChange={(url) => change(i, { url })}
              error={errors[`links.${i}.url`]}
            />
          )}
          {link.state ? <p className={styles.state}>{link.state}</p> : null}
          {(errors[`links.${i}.material`] ?? errors[`links.${i}.file`]) ? (
            <p role="alert">{errors[`links.${i}.material`] ?? errors[`links.${i}.file`]}</p>
          ) : null}
          <Field
            label={
              link.material ? materialTexts.ownLabel : link.file ? panelTexts.fileLabel : panelTexts.linkLabel
            }
            value={link.label}
            onChange={(label) => change(i, { label })}
            error={errors[`links.${i}.label`]}
          />
          <div className={styles.linkEnd}>
            <FormControlLabel
              control={
                <Checkbox
                  checked={link.staffOnly}
                  onChange={(e) => change(i, { staffOnly: e.target.checked })}
                />
              }
              label={panelTexts.staffOnly}
            />
            {i > 0 ? (
              <Button
                size="small"
                aria-label={materialTexts.upward({ n: i + 1 })}
                onClick={() => onChange(upward(links, i))}
              >
                ↑
              </Button>
            ) : null}
            <Button
              size="small"
              aria-label={panelTexts.removeLink({ n: i + 1 })}
              onClick={() => onChange(links.filter((_, j) => j !== i))}
            >
              {panelTexts.remove}
            </Button>
          </div>
        </div>
      ))}
      {courses.length > 0 ? (
        <MaterialPicker
          courses={courses}
          taken={links.flatMap((link) => link.material ?? [])}
          onPick={(material) => onChange([...links, materialLink(material)])}
        />
      ) : null}
      <div className={styles.buttons}>
        <AttachFile
          label={fileTexts.attach}
          onFile={({ id, name }) =>
            onChange([...links, { url: '', label: name, staffOnly: false, file: id }])
          }
        />
        <Button
          size="small"
          variant="outlined"
          onClick={() => onChange([...links, { url: '', label: '', staffOnly: false }])}
        >
          {panelTexts.addLink}
        </Button>
      </div>
    </fieldset>
  );
}
