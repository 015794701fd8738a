import { mainMoment } from '../entries/entry';
import { checkTexts } from '../texts/checks';
import { timeLabel } from '../time/dateLabels';
import { wallTrouble } from '../time/zone';
import { isDay, momentText } from '../time/zonedWall';
import type { Check } from './check';

/** A time that the clocks skip, or show twice. */
export const clocksChange: Check = {
  id: 'clocksChange',
  find: ({ entries, zoneOf, locale }) =>
    entries.flatMap((entry) => {
      const moment = mainMoment(entry);
      const trouble = isDay(moment) ? undefined : wallTrouble(zoneOf(moment.tzid), moment.wall);
      if (isDay(moment) || !trouble || entry.cancelled !== undefined) return [];
      const later = { ...moment, wall: moment.wall.add({ hours: 1 }) };
      const series = entry.kind === 'event' && entry.recurrence;
      return [
        {
          check: 'clocksChange',
          about: { entry },
          why: checkTexts.clocks[trouble]({ time: timeLabel(moment.wall, locale) }),
          remedy: series
            ? { label: checkTexts.chooseTime, act: 'open' as const }
            : {
                label: checkTexts.atTime({ time: timeLabel(later.wall, locale) }),
                act: 'line' as const,
                on: momentText(later),
              },
        },
      ];
    }),
};
