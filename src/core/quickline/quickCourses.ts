import type { SectionId } from '../ids';
import { quickTexts } from '../texts/quickLine';
import { escapeRegExp } from '../escapeRegExp';
import type { LineScanner } from './lineScanner';
import type { QuickContext, QuickCourse, QuickEntry } from './quickEntry';

type Named = Readonly<{ from: number; to: number; courses: readonly QuickCourse[] }>;

const escaped = (text: string) => escapeRegExp(text).replace(/\s+/g, '\\s+');
const SECTIONS =
  /(?:\s*,)?\s+(?:sections?\s+)?((?!at\b|and\b)[\p{L}\d]{1,12}(?:(?:\s*,\s*|\s+and\s+|\s*\+\s*)(?:sections?\s+)?[\p{L}\d]{1,12})*)/u;
const SECTION_WORD =
  /(?<!\w)sections?\s+([\p{L}\d]{1,12}(?:(?:\s*,\s*|\s+and\s+|\s*\+\s*)[\p{L}\d]{1,12})*)/u;

/** The first mention of a course that is left: by code or title however they are written, by tag as it is written. */
function findCourse(scan: LineScanner, courses: readonly QuickCourse[]): Named | undefined {
  const rest = scan.rest();
  const found = courses.flatMap((course) =>
    [
      new RegExp(`(?<![\\p{L}\\d])${escaped(course.code)}(?![\\p{L}\\d])`, 'iu'),
      new RegExp(`(?<![\\p{L}\\d])${escaped(course.title)}(?![\\p{L}\\d])`, 'iu'),
      new RegExp(`(?<![\\p{L}\\d])${escaped(course.tag)}(?![\\p{L}\\d])`, 'u'),
    ].flatMap((pattern) => {
      const match = pattern.exec(rest);
      return match ? [{ from: match.index, to: match.index + match[0].length, course }] : [];
    }),
  );
  const [best] = found.sort((a, b) => a.from - b.from || b.to - a.to);
  if (!best) return undefined;
  const same = found.filter((f) => f.from === best.from && f.to === best.to).map((f) => f.course);
  return { from: best.from, to: best.to, courses: [...new Set(same)] };
}

function sectionsAfter(
  scan: LineScanner,
  named: Named,
  course: QuickCourse,
): { to: number; ids: SectionId[] } {
  const match = scan.at(named.to, SECTIONS);
  const none = { to: named.to, ids: [] };
  if (!match) return none;
  // As many names as are sections; the rest belongs to something else ("HL A workshop").
  const ids: SectionId[] = [];
  let to = named.to;
  for (const word of match[0].matchAll(/[\p{L}\d]+/gu)) {
    if (/^(?:sections?|and)$/iu.test(word[0])) continue;
    const section = course.sections.find(({ name }) => name.toLowerCase() === word[0].toLowerCase());
    if (!section || section.name !== word[0]) break;
    ids.push(section.id);
    to = named.to + word.index + word[0].length;
  }
  return ids.length > 0 ? { to, ids } : none;
}

type Chosen = QuickEntry['courses'];

/** Takes the courses that a line names, with their sections; asks where a tag is shared or none is named. */
export function takeCourses(scan: LineScanner, { courses }: QuickContext): Chosen {
  const chosen: { course: QuickCourse; sections: SectionId[] }[] = [];
  for (let named = findCourse(scan, courses); named; named = findCourse(scan, courses)) {
    const [course, ...others] = named.courses;
    if (!course) break;
    if (others.length > 0) {
      const text = scan.line.slice(named.from, named.to);
      const choices = named.courses.map((c) => ({
        label: quickTexts.courseName({ code: c.code, title: c.title }),
        text: c.code,
      }));
      scan.ask(named, quickTexts.whichCourse({ tag: text }), choices);
      continue;
    }
    const { to, ids } = sectionsAfter(scan, named, course);
    const names = course.sections.filter((s) => ids.includes(s.id)).map((s) => s.name);
    scan.take(
      { from: named.from, to },
      quickTexts.course,
      quickTexts.courseWords({ code: course.code, title: course.title, sections: names }),
    );
    const known = chosen.find((c) => c.course === course);
    if (known) known.sections.push(...ids);
    else chosen.push({ course, sections: [...ids] });
  }
  takeLooseSections(scan, chosen);
  return chosen.map(({ course, sections }) => ({
    course: course.id,
    ...(sections.length > 0 ? { sections: [...new Set(sections)].sort() } : {}),
  }));
}

/** "section B" by itself belongs to the one course that is named. */
function takeLooseSections(
  scan: LineScanner,
  chosen: { course: QuickCourse; sections: SectionId[] }[],
): void {
  const match = scan.find(SECTION_WORD);
  const [only] = chosen;
  if (!match || !only || chosen.length > 1) return;
  const names = match[1]!.split(/\s*,\s*|\s+and\s+|\s*\+\s*/);
  const found = names.flatMap((name) => only.course.sections.find((s) => s.name === name) ?? []);
  const span = { from: match.index, to: match.index + match[0].length };
  if (found.length < names.length) {
    const choices = only.course.sections.map((s) => ({ label: s.name, text: `section ${s.name}` }));
    return scan.ask(span, quickTexts.noSuchSection({ code: only.course.code, text: match[1]! }), choices);
  }
  only.sections.push(...found.map((s) => s.id));
  scan.take(span, quickTexts.section, names.join(', '));
}
