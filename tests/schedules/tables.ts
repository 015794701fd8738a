import { readFileSync } from 'node:fs';

/** A thing that a line is expected to say, in the notation of the tables: `due 11-17 @17:00 set:11-03 Essay 1`. */
export type Expected = Readonly<{
  kind: string;
  date?: string;
  to?: string;
  time?: string;
  end?: string;
  set?: string;
  opens?: string;
  closes?: string;
  title: string;
}>;
export type Expectation = 'ask' | readonly Expected[];
/** A line with what it may be read as: the readings are all right. */
export type TableLine = Readonly<{ text: string; readings: readonly Expectation[] }>;
export type Schedule = Readonly<{ name: string; weekdays: readonly number[]; lines: readonly TableLine[] }>;

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const inYear = (day: string) => `${day.startsWith('01') ? 2027 : 2026}-${day}`;

function thing(text: string): Expected {
  const [kind = '', ...words] = text.trim().split(/\s+/);
  const found: Record<string, string> = {};
  while (words.length > 0) {
    const [word = ''] = words;
    const range = /^(\d\d-\d\d)(?:\.\.(\d\d-\d\d))?$/.exec(word);
    const clock = /^@(\d\d:\d\d)(?:-(\d\d:\d\d))?$/.exec(word);
    const hanging = /^(set|opens|closes):(\d\d-\d\d)$/.exec(word);
    if (range && !found.date) {
      found.date = inYear(range[1]!);
      if (range[2]) found.to = inYear(range[2]);
    } else if (clock) {
      found.time = clock[1]!;
      if (clock[2]) found.end = clock[2];
    } else if (hanging) found[hanging[1]!] = inYear(hanging[2]!);
    else break;
    words.shift();
  }
  return { kind, ...found, title: words.join(' ') };
}

const reading = (text: string): Expectation =>
  text.trim() === 'ask' ? 'ask' : text.trim() === '-' ? [] : text.split('&&').map(thing);

/** The schedules of a file: `# NUMBER NAME, WEEKDAYS`, then lines `TEXT => WHAT IT SAYS`. */
export function schedulesIn(file: URL): Schedule[] {
  return readFileSync(file, 'utf8')
    .split(/^# (?=\d)/m)
    .slice(1)
    .map((block) => {
      const [head = '', ...rest] = block.split('\n');
      const at = head.lastIndexOf(',');
      return {
        name: head.slice(0, at),
        weekdays: head.slice(at + 1).trim().split(' ').map((day) => DAYS.indexOf(day) + 1), // prettier-ignore
        lines: rest.filter((line) => line.trim() !== '').map((line) => {
          const cut = line.lastIndexOf(' => ');
          return { text: line.slice(0, cut), readings: line.slice(cut + 4).split('||').map(reading) };
        }), // prettier-ignore
      };
    });
}
