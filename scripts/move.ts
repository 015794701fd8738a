/** npm run move -- FOLDER DATABASE_URL, and back: DATABASE_URL FOLDER. The servers of both have to be stopped. */
import path from 'node:path';
import { parseArgs } from 'node:util';
import { movingTexts } from '../src/core/texts/moving';
import { move } from '../src/server/moving/move';
import { orStop, stop } from './command';

const { positionals } = parseArgs({ allowPositionals: true });
const [from = '', to = ''] = positionals;
const isAddress = (text: string) => /^postgres(ql)?:\/\//.test(text);
if (positionals.length !== 2 || isAddress(from) === isAddress(to)) stop(movingTexts.usage);
const direction = isAddress(to) ? 'there' : 'back';
const [folder, url] = direction === 'there' ? [from, to] : [to, from];
const moved = await orStop(() =>
  move({
    folder: path.resolve(folder),
    url,
    direction,
    at: new Date().toISOString(),
    report: (table, rows) => {
      if (rows > 0) console.log(movingTexts.table(table, rows));
    },
  }),
);
console.log(movingTexts.done(moved, direction));
process.exit(0);
