import * as en from './compiled/en/reading';
import { extend } from './extend';
/** A piece of a file as a message shows it: short, on one line. */
const piece = (text: string, most = 40) => text.replace(/[\u0000-\u001f\u007f]+/g, ' ').slice(0, most);

/** What is said about calendar files that others wrote: what was left out, and what was read otherwise. */
export const readingTexts = extend(en.readingTexts, {
  outside: (name: string) => `${piece(name, 30)} stands outside a calendar.`,
  unopened: (name: string) => `${piece(name, 30)} ends here, and has not begun.`,
  unclosed: (name: string) => `${piece(name, 30)} begins here, and does not end.`,
  zoneTaken: (name: string, tzid: string) => `The time zone “${piece(name, 60)}” was read as ${tzid}.`,
  zoneUnknown: (name: string, tzid: string) =>
    `The time zone “${piece(name, 60)}” is not known. Its times were read as those of ${tzid}.`,
  noDate: (text: string) => `“${piece(text)}” is no date.`,
  notAnEvent: (name: string) => `${piece(name, 30)} is neither an event nor a task.`,
  badDuration: (text: string) => `“${piece(text, 40)}” is no duration. It was read without an end.`,
  badRule: (text: string) => `It repeats in a way that is not understood: “${piece(text, 80)}”.`,
  badExtra: (text: string) => `An extra or left-out date could not be read: “${piece(text, 40)}”.`,
});
