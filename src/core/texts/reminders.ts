import * as en from './compiled/en/reminders';
import { extend } from './extend';

/** Words of reminders by letter. */
export const reminderTexts = extend(en.reminderTexts, {
  line: (tags: string, title: string, when: string, due: boolean) =>
    (due ? en.reminderTexts.dueAt : en.reminderTexts.onAt)({
      what: [tags, title].filter(Boolean).join(' '),
      when,
    }),
  subject: (first: string, n: number) => en.reminderTexts.subject({ first, more: n - 1 }),
});
