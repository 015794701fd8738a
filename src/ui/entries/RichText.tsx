'use client';
import { EditorContent, useEditor } from '@tiptap/react';
import { Table, TableCell, TableHeader, TableRow } from '@tiptap/extension-table';
import StarterKit from '@tiptap/starter-kit';
import { richTexts } from '@/core/texts/richText';
import styles from './RichText.module.css';

/** A table as it was pasted. Widths would be inline styles, which the page's policy refuses. */
const PlainTable = Table.extend({ renderHTML: () => ['table', ['tbody', 0]] });

/** Formatted text with links. The editor's own style element is left out: the page's policy would refuse it. */
export default function RichText({
  value,
  onChange,
  label,
}: {
  value: string;
  onChange: (html: string) => void;
  label: string;
}) {
  const editor = useEditor({
    extensions: [
      StarterKit.configure({
        heading: { levels: [3, 4] },
        horizontalRule: false,
        link: { openOnClick: false, protocols: ['mailto', 'tel'] },
      }),
      PlainTable,
      TableRow,
      TableHeader,
      TableCell,
    ],
    content: value,
    injectCSS: false,
    immediatelyRender: false,
    editorProps: { attributes: { role: 'textbox', 'aria-multiline': 'true', 'aria-label': label } },
    onUpdate: ({ editor: changed }) => onChange(changed.isEmpty ? '' : changed.getHTML()),
  });
  if (!editor) return <div className={styles.waiting} />;
  const act = (name: keyof typeof richTexts.acts, active: boolean, run: () => void) => (
    <button
      key={name}
      type="button"
      aria-pressed={active}
      aria-label={richTexts.acts[name]}
      title={richTexts.acts[name]}
      // The selection stays in the text.
      onMouseDown={(event) => event.preventDefault()}
      onClick={run}
    >
      {richTexts.marks[name]}
    </button>
  );
  const link = () => {
    const address = window.prompt(
      richTexts.linkPrompt,
      String(editor.getAttributes('link').href ?? 'https://'),
    );
    if (address === null) return;
    if (address.trim() === '' || address.trim() === 'https://') editor.chain().focus().unsetLink().run();
    else editor.chain().focus().extendMarkRange('link').setLink({ href: address.trim() }).run();
  };
  return (
    <div className={styles.box}>
      <div className={styles.tools} role="toolbar" aria-label={richTexts.tools}>
        {act('bold', editor.isActive('bold'), () => editor.chain().focus().toggleBold().run())}
        {act('italic', editor.isActive('italic'), () => editor.chain().focus().toggleItalic().run())}
        {act('bullets', editor.isActive('bulletList'), () => editor.chain().focus().toggleBulletList().run())}
        {act('numbers', editor.isActive('orderedList'), () =>
          editor.chain().focus().toggleOrderedList().run(),
        )}
        {act('link', editor.isActive('link'), link)}
      </div>
      <EditorContent editor={editor} className={styles.text} />
    </div>
  );
}
