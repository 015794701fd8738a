import * as en from './compiled/en/reminders';
import { extend } from './extend';
/** Words of reminders by letter. */
export const reminderTexts = extend(en.reminderTexts, {
  line: (tags: string, title: string, when: string, due: boolean) =>
    `${[tags, title].filter(Boolean).join(' ')}: ${due ? 'due ' : ''}${when}`,
  subject: (first: string, n: number) => (n === 1 ? first : `${first} and ${n - 1} more`),
});
