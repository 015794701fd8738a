import * as en from './compiled/en/term';
import { extend } from './extend';
import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';
import { formTexts } from './forms';

/** Words of the Term view and of the entry panel beside it. */
export const termTexts = extend(en.termTexts, {
  told: ({ told, gathered }: Readonly<{ told: number; gathered: number }>) => {
    const now = told - gathered;
    const later =
      gathered === 1 ? '1 reads it in the letter of the day' : `${gathered} read it in the letter of the day`;
    if (now === 0 && gathered > 0) return later;
    const letters = now === 1 ? '1 letter goes out in a minute' : `${now} letters go out in a minute`;
    return gathered === 0 ? letters : `${letters}; ${later}`;
  },
});

export const panelTexts = extend(en.panelTexts, {
  ...formTexts,
  effortWords: (minutes: number) => `about ${Math.round(minutes / 6) / 10} h a student`,
  follows: (date: string, number: ClassNumber, edge: 'start' | 'end') =>
    `${date} (${edge} of ${entryTexts.classNumber(number)})`,
  joiningLines: ({ number, code, rest }: Readonly<{ number?: string; code?: string; rest: string }>) =>
    [number && `Number: ${number}`, code && `Code: ${code}`, rest].filter(Boolean).join('\n'),
  comingCount: (n: number, seats: number | undefined, waiting: number) =>
    [
      seats === undefined ? `${n} coming` : `${n} of ${seats} seats taken`,
      waiting === 0 ? '' : waiting === 1 ? '1 waits' : `${waiting} wait`,
    ]
      .filter(Boolean)
      .join(' · '),
});
