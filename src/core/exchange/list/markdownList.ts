import { everythingTexts } from '../../texts/everything';
import { groupBy } from '../../groupBy';
import type { PlanLine, TextFormat } from './listFormat';

/** Signs that Markdown would take for its own (CommonMark 0.31, section 2.4). */
const plain = (text: string) => text.replace(/[\\`*_{}[\]<>#|]/g, '\\$&');

const written = ({ day, time, tags, kind, title }: PlanLine) =>
  `- ${[day, time].filter(Boolean).join(', ')}: ${tags ? `${plain(tags)} ` : ''}**${plain(title)}** (${kind.toLowerCase()})`;

/** A schedule by weeks, to be pasted into a syllabus: text with headings and lists. */
export const markdownList: TextFormat = {
  id: 'markdown',
  name: 'text',
  file: 'plan.md',
  type: 'text/markdown',
  write: (lines) =>
    [...groupBy(lines, ({ week }) => week)]
      .map(([week, own]) => `## ${everythingTexts.weekHeading({ week })}\n\n${own.map(written).join('\n')}\n`)
      .join('\n'),
};
