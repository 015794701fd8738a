import type { Change } from '@/data/history/change';
import { insertAnswer, insertQuestion, writeAsking } from '@/data/questions/questions';
import { HL } from './courses';
import { demoId } from './demoIds';
import { MAREN, TOBIAS } from './people';

const HOUR = 3_600_000;

/** Hull lofting lets students ask; one has asked for everybody, and was answered. */
export async function insertQuestions(change: Change): Promise<void> {
  await writeAsking(change, HL.id, HL.id, true);
  const question = demoId<string>('question spline weights');
  await insertQuestion(change, {
    id: question,
    about: demoId(`${HL.id} assignment Half-breadth plan`),
    course: HL.id,
    author: HL.sections[0]!.students[5]!.id,
    text: '<p>May we bring spline weights of our own?</p>',
    everybody: true,
    named: false,
    atMs: change.nowMs - 22 * HOUR,
    readers: [MAREN.id, TOBIAS.id],
  });
  await insertAnswer(change, {
    id: demoId('answer spline weights'),
    question,
    author: MAREN.id,
    text: '<p>Yes. Mark them, so that you get them back.</p>',
    atMs: change.nowMs - 20 * HOUR,
  });
}
