import type { ClassNumber } from '../time/classNumber';
import { STRANDS, classOf, lastOrdinal, numberOf, strandNamed } from '../time/classNumber';
import { Temporal } from 'temporal-polyfill';
import { quickTexts } from '../texts/quickLine';
import { dateLabel } from '../time/dateLabels';
import { escapeRegExp } from '../escapeRegExp';
import type { QuickContext, QuickCourse, QuickEntry } from './quickEntry';
import { COUNT, countOf } from '../time/typedDay';

const EDGE = '(?:(?:at\\s+)?the\\s+(start|beginning|end)\\s+of\\s+)?';
const BY_NUMBER = new RegExp(`${EDGE}(?:in\\s+)?class\\s+(\\d{1,3})\\b`);
/** What counts apart is a title as well (`Lab 3 report`), and a place (`in Lab 3`): it needs a word before it that says it is a date. */
const OF_STRAND = new RegExp(`(?:(?:at\\s+)?the\\s+(start|beginning|end)\\s+of\\s+|(?<=\\b(?:due|set|opens|closes|by)\\s+)(?:(?:at|in)\\s+)?)(${STRANDS.join('|')})\\s+(\\d{1,3})\\b`); // prettier-ignore
const NEXT = new RegExp(`${EDGE}(?:in\\s+)?(?:the\\s+)?(next|last)\\s+class\\b`);
const AROUND = new RegExp(`${EDGE}(?:the\\s+)?(?:(${COUNT})\\s+)?class(?:es)?\\s+(before|after)\\s+(?:the\\s+)?([^,;\\u{E000}]+)`); // prettier-ignore

type ClassReading =
  | (ClassNumber & Readonly<{ kind: 'class'; edge: 'start' | 'end' }>)
  | Readonly<{
      kind: 'ask';
      question: string;
      choices: readonly Readonly<{ label: string; text: string }>[];
    }>;
export type FoundClass = Readonly<{ from: number; to: number; reading: ClassReading }>;
type Look = (pattern: RegExp) => RegExpExecArray | undefined;

const problem = (question: string): ClassReading => ({ kind: 'ask', question, choices: [] });

/** The classes that a number is looked up in: those of the named section, else of the course's first. */
function classesOf(course: QuickCourse, chosen: QuickEntry['courses'][number]) {
  const section = course.sections.find(({ id }) => !chosen.sections || chosen.sections.includes(id));
  return section?.classes ?? [];
}

/**
 * A class named in the line: "class 12", "the end of class 12", "next class", "two classes before the midterm". It is looked
 * up in the first course that is named.
 */
export function findClass(
  look: Look,
  context: QuickContext,
  chosen: QuickEntry['courses'],
): FoundClass | undefined {
  const [ofStrand, byNumber, next, around] = [look(OF_STRAND), look(BY_NUMBER), look(NEXT), look(AROUND)];
  const match = ofStrand ?? byNumber ?? next ?? around;
  if (!match) return undefined;
  const span = (text: string) => ({ from: match.index, to: match.index + text.length });
  const [own] = chosen;
  const course = context.courses.find(({ id }) => id === own?.course);
  if (!course || !own) {
    const choices = context.courses.map((c) => ({
      label: quickTexts.courseName({ code: c.code, title: c.title }),
      text: `${match[0].trim()}, ${c.code}`,
    }));
    return {
      ...span(match[0].trimEnd()),
      reading: { kind: 'ask', question: quickTexts.classOfWhich, choices },
    };
  }
  const all = classesOf(course, own);
  // By "next", "last" and "before" classes are meant.
  const classes = all.filter(({ strand }) => strand === undefined);
  const edge = match[1] && /^end/i.test(match[1]) ? 'end' : 'start';
  const of = (number: ClassNumber): ClassReading =>
    classOf(all, number)
      ? { kind: 'class', ...numberOf(number), edge }
      : problem(
          quickTexts.noSuchClass(
            course.code,
            number,
            lastOrdinal({ sections: [{ meetings: all }] }, number.strand),
          ),
        );
  if (match === ofStrand) return { ...span(match[0]), reading: of({ ordinal: Number(match[3]), strand: strandNamed(match[2]!) }) }; // prettier-ignore
  if (match === byNumber) return { ...span(match[0]), reading: of({ ordinal: Number(match[2]) }) };
  if (match === next) {
    const { today } = context;
    const wanted = /next/i.test(match[2]!)
      ? classes.find((c) => Temporal.PlainDate.compare(c.date, today) > 0)
      : classes.at(-1);
    return {
      ...span(match[0]),
      reading: wanted ? of(wanted) : problem(quickTexts.noClassLeft({ code: course.code })),
    };
  }
  return aroundLandmark(match, course, classes, { context, of });
}

type Classes = ReturnType<typeof classesOf>;

function aroundLandmark(
  match: RegExpExecArray,
  course: QuickCourse,
  classes: Classes,
  { context, of }: { context: QuickContext; of: (number: ClassNumber) => ClassReading },
): FoundClass {
  const [whole, , count = 'one', direction = '', tail = ''] = match;
  // The longest beginning of what follows that is part of a title on the plan.
  const words = tail.trim().split(/\s+/);
  for (let n = words.length; n > 0; n--) {
    const name = words.slice(0, n).join(' ');
    const found = course.landmarks.filter((l) => l.title.toLowerCase().includes(name.toLowerCase()));
    if (found.length === 0) continue;
    const used = new RegExp(`^${words.slice(0, n).map(escapeRegExp).join('\\s+')}`).exec(tail)![0].length;
    const text = whole.slice(0, whole.length - tail.length + used);
    const span = { from: match.index, to: match.index + text.length };
    const exact = found.filter((l) => l.title.toLowerCase() === name.toLowerCase());
    const [only, ...others] = exact.length > 0 ? exact : found;
    if (others.length > 0)
      return {
        ...span,
        reading: {
          kind: 'ask',
          question: quickTexts.whichLandmark({ name }),
          choices: found.map((l) => ({
            label: quickTexts.landmark({ title: l.title, day: dateLabel(l.date, 'short', context.locale) }),
            text: `${text.slice(0, text.length - name.length)}${l.title}`,
          })),
        },
      };
    const sign = /before/i.test(direction) ? -1 : 1;
    return { ...span, reading: counted(classes, only!.date, sign * countOf(count), of, course) };
  }
  const span = { from: match.index, to: match.index + whole.trimEnd().length };
  return { ...span, reading: problem(quickTexts.noLandmark({ text: tail.trim(), code: course.code })) };
}

function counted(
  classes: Classes,
  date: Temporal.PlainDate,
  n: number,
  of: (number: ClassNumber) => ClassReading,
  course: QuickCourse,
): ClassReading {
  const order = (c: Classes[number]) => Temporal.PlainDate.compare(c.date, date);
  const side = n < 0 ? classes.filter((c) => order(c) < 0).reverse() : classes.filter((c) => order(c) > 0);
  const found = side[Math.abs(n) - 1];
  return found ? of(found) : problem(quickTexts.noClassLeft({ code: course.code }));
}
