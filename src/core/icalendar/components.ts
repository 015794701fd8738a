import { readingTexts } from '../texts/reading';
import type { ContentLine, Trouble } from './contentLines';

export type Component = Readonly<{
  name: string;
  line: number;
  properties: readonly ContentLine[];
  children: readonly Component[];
}>;

type Open = { name: string; line: number; properties: ContentLine[]; children: Component[] };

const DEEPEST = 5;
const MOST_COMPONENTS = 20_000;

/** The VCALENDARs of a stream as trees. What is not closed ends with the file; beyond the limits nothing more is read. */
export function components(lines: readonly ContentLine[]): { roots: Component[]; troubles: Trouble[] } {
  const roots: Component[] = [];
  const troubles: Trouble[] = [];
  const open: Open[] = [];
  let count = 0;
  /** Inside something too deep: how many ENDs lead out of it again. */
  let skipping = 0;
  for (const property of lines) {
    const { name, line } = property;
    const what = property.value.trim().toUpperCase();
    if (name === 'BEGIN') {
      count++;
      if (count > MOST_COMPONENTS) {
        troubles.push({ line, why: readingTexts.tooMany({ n: MOST_COMPONENTS }) });
        break;
      }
      if (skipping > 0 || open.length >= DEEPEST) {
        if (skipping === 0) troubles.push({ line, why: readingTexts.tooDeep });
        skipping++;
        continue;
      }
      const component: Open = { name: what, line, properties: [], children: [] };
      const parent = open.at(-1);
      if (parent) parent.children.push(component);
      else if (what === 'VCALENDAR') roots.push(component);
      else troubles.push({ line, why: readingTexts.outside(what) });
      open.push(component);
    } else if (name === 'END') {
      if (skipping > 0) skipping--;
      else {
        const depth = open.findLastIndex((component) => component.name === what);
        if (depth === -1) troubles.push({ line, why: readingTexts.unopened(what) });
        else {
          if (depth < open.length - 1) troubles.push({ line, why: readingTexts.unclosed(open.at(-1)!.name) });
          open.length = depth;
        }
      }
    } else if (skipping === 0) {
      const inside = open.at(-1);
      if (inside) inside.properties.push(property);
      else troubles.push({ line, why: readingTexts.noContentLine });
    }
  }
  if (open.length > 0) troubles.push({ line: open[0]!.line, why: readingTexts.unclosed(open.at(-1)!.name) });
  return { roots, troubles };
}

export const property = (component: Component, name: string): ContentLine | undefined =>
  component.properties.find((p) => p.name === name);

export const propertiesOf = (component: Component, name: string): readonly ContentLine[] =>
  component.properties.filter((p) => p.name === name);
