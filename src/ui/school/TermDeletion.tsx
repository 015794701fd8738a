'use client';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts, schoolTexts } from '@/core/texts/school';
import { DeleteAfterWarning } from './DeleteAfterWarning';

/** Deleting a term, after saying what is in it. */
export function TermDeletion({ term }: { term: Readonly<{ id: string; name: string }> }) {
  return (
    <DeleteAfterWarning
      path={`/api/terms/${term.id}`}
      label={schoolTexts.deleteTerm({ name: term.name })}
      now={courseTexts.deleteNow({ code: term.name })}
      words={schoolTexts.termContents}
      deleted={frameHistoryTexts.deletedTerm({ name: term.name })}
    />
  );
}
