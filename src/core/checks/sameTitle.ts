import { groupBy } from '../groupBy';
import { checkTexts } from '../texts/checks';
import { weekNumber } from '../time/term';
import { dateLabel } from '../time/dateLabels';
import type { Check } from './check';
import { OPEN } from './check';
import { dayOfEntry, takesPlace } from './checkedDates';

/** The same title twice in one week of a course: entered twice, or pasted. */
export const sameTitle: Check = {
  id: 'sameTitle',
  find: ({ entries, term, locale }) => {
    const keyed = entries.filter(takesPlace).flatMap((entry) =>
      entry.audience.map((part) => ({
        entry,
        key: `${part.course} ${weekNumber(term, dayOfEntry(entry))} ${entry.kind} ${entry.title.trim().toLowerCase()}`,
      })),
    );
    return [...groupBy(keyed, ({ key }) => key).values()].flatMap(([first, ...others]) =>
      others.map(({ entry }) => ({
        check: 'sameTitle',
        about: { entry },
        other: first!.entry,
        why: checkTexts.sameTitle({ day: dateLabel(dayOfEntry(first!.entry), 'short', locale) }),
        remedy: OPEN(checkTexts.look),
      })),
    );
  },
};
