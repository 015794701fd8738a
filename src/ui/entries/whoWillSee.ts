import { audienceWords } from '@/core/plan/audienceWords';
import { panelTexts } from '@/core/texts/term';
import type { EntryDraft } from './entryDraft';
import type { PanelCourse } from './panelData';

const some = (list: readonly string[]) => (list.length > 0 ? list : undefined);

/** Who the draft is for, in words with the number; empty while no course is chosen. */
export const audienceOfDraft = (draft: EntryDraft, courses: readonly PanelCourse[]): string =>
  draft.kind === 'note'
    ? panelTexts.onlyYou
    : audienceWords(
        Object.entries(draft.courses).map(([course, { sections, groups, people }]) => ({
          course,
          sections: some(sections),
          groups: some(groups),
          people: some(people),
        })),
        courses,
      );

/** The sentence beside the save button. */
export function whoWillSee(draft: EntryDraft, courses: readonly PanelCourse[]): string {
  if (draft.kind === 'note') return panelTexts.seesOnlyYou;
  const who = audienceOfDraft(draft, courses);
  if (!who) return panelTexts.seesNobody;
  switch (draft.visibility) {
    case 'draft':
      return panelTexts.seesDraft;
    case 'from':
      return panelTexts.seesFrom({ who, when: `${draft.fromDay} ${draft.fromTime}`.trim() });
    case 'before':
      return panelTexts.seesBefore({ who, days: draft.daysBefore || '7' });
    case 'visible':
      return panelTexts.seesNow({ who });
    default:
      return draft.visibility satisfies never;
  }
}
