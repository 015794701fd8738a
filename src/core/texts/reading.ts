import * as en from './compiled/en/reading';
import { extend } from './extend';

const said = en.readingTexts;
/** A piece of a file as a message shows it: short, on one line. */
const piece = (text: string, most = 40) => text.replace(/[\u0000-\u001f\u007f]+/g, ' ').slice(0, most);

/** What is said about calendar files that others wrote: what was left out, and what was read otherwise. */
export const readingTexts = extend(en.readingTexts, {
  outside: (name: string) => said.outside({ name: piece(name, 30) }),
  unopened: (name: string) => said.unopened({ name: piece(name, 30) }),
  unclosed: (name: string) => said.unclosed({ name: piece(name, 30) }),
  zoneTaken: (name: string, tzid: string) => said.zoneTaken({ name: piece(name, 60), tzid }),
  zoneUnknown: (name: string, tzid: string) => said.zoneUnknown({ name: piece(name, 60), tzid }),
  noDate: (text: string) => said.noDate({ text: piece(text) }),
  notAnEvent: (name: string) => said.notAnEvent({ name: piece(name, 30) }),
  badDuration: (text: string) => said.badDuration({ text: piece(text) }),
  badRule: (text: string) => said.badRule({ text: piece(text, 80) }),
  badExtra: (text: string) => said.badExtra({ text: piece(text) }),
});
