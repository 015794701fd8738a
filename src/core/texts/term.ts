import * as en from './compiled/en/term';
import { extend } from './extend';
import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';
import { formTexts } from './forms';

/** Words of the Term view and of the entry panel beside it. */
export const termTexts = extend(en.termTexts, {
  /** How many letters go out, and how many are kept for the letter of the day. */
  told: ({ told, gathered }: Readonly<{ told: number; gathered: number }>) => {
    const now = told - gathered;
    const later = gathered > 0 ? [en.termTexts.lettersGathered({ n: gathered })] : [];
    const letters = now > 0 || gathered === 0 ? [en.termTexts.lettersGo({ n: now })] : [];
    return [...letters, ...later].join('; ');
  },
});

const said = en.panelTexts;

export const panelTexts = extend(en.panelTexts, {
  ...formTexts,
  effortWords: (minutes: number) => said.effortOf({ hours: Math.round(minutes / 6) / 10 }),
  follows: (date: string, number: ClassNumber, edge: 'start' | 'end') =>
    (edge === 'start' ? said.followsStart : said.followsEnd)({
      date,
      number: entryTexts.classNumber(number),
    }),
  joiningLines: ({ number, code, rest }: Readonly<{ number?: string; code?: string; rest: string }>) =>
    [number && said.joiningNumber({ number }), code && said.joiningCode({ code }), rest]
      .filter(Boolean)
      .join('\n'),
  comingCount: (n: number, seats: number | undefined, waiting: number) =>
    [
      seats === undefined ? said.comingOf({ n }) : said.seatsTaken({ n, seats }),
      ...(waiting > 0 ? [said.waitingOf({ n: waiting })] : []),
    ].join(' · '),
});
