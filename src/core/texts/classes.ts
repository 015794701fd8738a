import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';

/** Words of the panel about a class, and of putting topics on classes. */
export const classTexts = {
  what: 'What is taught',
  description: 'Text',
  pinned: 'Pinned: holds its date',
  pinnedLead: 'Holds its date when other plans move',
  save: (n: number) => (n === 1 ? 'Save for this class' : `Save for ${n} sections`),
  clear: 'Take the plan off',
  daySheet: 'Day sheet',
  ownPage: 'Its own page',
  also: (list: string) => `The same plan: ${list}`,
  none: 'No plan yet',
  fillTitle: 'Put a list on the classes',
  fillLead:
    'One topic a line, or a table with links; an empty line leaves a class as it is. What is pinned is passed over.',
  fillList: 'Topics',
  fillFrom: 'From class',
  fillFromWhat: 'Type the number of a class, such as 3, or lab 3.',
  fillPreview: 'Look at it first',
  fillSave: (n: number) => (n === 1 ? 'Plan 1 class' : `Plan ${n} classes`),
  fillLine: (number: ClassNumber, days: string) => `${entryTexts.classTitle(number)}, ${days}`,
  fillReplaces: (title: string) => `instead of “${title}”`,
  fillPinned: (numbers: readonly ClassNumber[]) =>
    `Passed over, since pinned: ${numbers.map(entryTexts.classNumber).join(', ')}`,
  fillLeft: (n: number) => (n === 1 ? '1 topic finds no class' : `${n} topics find no class`),
  fillFile: 'Or choose a CSV file',
  cancelledNow: 'Called off',
} as const;
