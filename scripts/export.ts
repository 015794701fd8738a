/** npm run export -- [--course CODE] [--term NAME] [--outline] --out FILE [--json]: saves a course, or a term, as a plan package. */
import { createWriteStream, existsSync } from 'node:fs';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { parseArgs } from 'node:util';
import type { CourseId } from '../src/core/ids';
import { refusalTexts } from '../src/core/texts/refusals';
import { openStore, select } from '../src/data/database';
import { isLocked } from '../src/data/folderLock';
import { createClock } from '../src/server/clock';
import { readConfig } from '../src/server/config';
import { packageOf } from '../src/server/exchange/savePlan';
import { openPembit } from '../src/server/openPembit';
import { orStop, stop } from './command';

const { values } = parseArgs({
  options: {
    course: { type: 'string', default: '' },
    term: { type: 'string', default: '' },
    outline: { type: 'boolean', default: false },
    out: { type: 'string' },
    json: { type: 'boolean', default: false },
  },
});
const { course, term, outline, out, json } = values;
if (!out || (!course && !term))
  stop(
    'Say what, and where to: npm run export -- [--course CODE] [--term NAME] [--outline] --out FILE [--json]',
  );
if (existsSync(out)) stop(`There is a file ${out} already. Give another name.`);
const config = readConfig(process.env);

await orStop(async () => {
  // A server that holds the folder has brought it up to date; reading beside it does no harm.
  const held = (await isLocked(config.dataFolder)) ? undefined : await openPembit(config);
  const sequelize = held?.sequelize ?? openStore(config);
  try {
    const found = await select<{ id: CourseId; term: string }>(
      { sequelize },
      `SELECT courses.id, terms.name AS term FROM courses JOIN terms ON terms.id = courses.term_id
       WHERE (:course = '' OR code = :course) AND (:term = '' OR terms.name = :term) ORDER BY code`,
      { course, term },
    );
    const terms = [...new Set(found.map((row) => row.term))];
    if (found.length === 0) stop(`There is no such course or term: ${[course, term].filter(Boolean).join(', ')}.`);
    if (terms.length > 1) stop(`Several terms have a course ${course}: ${terms.join(', ')}. Say which with --term.`);
    const now = held?.now ?? createClock(config.startsAt);
    const saved = await packageOf({ sequelize, config, now }, found.map(({ id }) => id), outline);
    if (!saved.ok) return stop(refusalTexts[saved.reason]);
    await pipeline(saved.value.body, createWriteStream(out));
    const done = { file: path.resolve(out), term: terms[0], courses: found.length, leftOut: saved.value.left };
    console.log(json ? JSON.stringify(done, undefined, 2) : `Saved ${found.length} of ${terms[0]} as ${out}; left out, for named students alone: ${done.leftOut}`);
  } finally {
    await (held ? held.close() : sequelize.close());
  }
}); // prettier-ignore
