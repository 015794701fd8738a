import { audienceWords } from '@/core/plan/audienceWords';
import { panelTexts } from '@/core/texts/term';
import type { EntryDraft } from './entryDraft';
import type { PanelCourse } from './panelData';

/** Who the draft is for, in words with the number; empty while no course is chosen. */
export const audienceOfDraft = (draft: EntryDraft, courses: readonly PanelCourse[]): string =>
  audienceWords(
    Object.entries(draft.courses).map(([course, sections]) =>
      sections.length > 0 ? { course, sections } : { course },
    ),
    courses,
  );

/** The sentence beside the save button. */
export function whoWillSee(draft: EntryDraft, courses: readonly PanelCourse[]): string {
  const who = audienceOfDraft(draft, courses);
  if (!who) return panelTexts.seesNobody;
  if (draft.visibility === 'draft') return panelTexts.seesDraft;
  if (draft.visibility === 'from')
    return panelTexts.seesFrom(who, `${draft.fromDay} ${draft.fromTime}`.trim());
  return panelTexts.seesNow(who);
}
