/** npm run bench -- [--only core,serving,grid,phone,weight,large] [--json FILE]: one table of how fast Pembit is on this machine. */
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { parseArgs } from 'node:util';
import { startPembit } from '../../tests/browser/server';
import { FIRST_LOADS, firstLoadOf, scriptsOfEmbeds } from '../../tests/support/firstLoad';
import { runStorm } from '../../tests/support/storm';
import { coreFigures } from './core';
import { fillTerm, gridFigures } from './grid';
import { largestPaint } from './largestPaint';
import { LARGE } from './largeSchool';
import { largeSchoolFigures } from './largeSchoolPages';
import { bookingFigures, outletFigures } from './serving';
import type { Figure } from './table';
import { shareOf, table } from './table';

/** Each part on a server of its own, so that none is measured with what another has left behind. */
const PARTS: Readonly<Record<string, () => Promise<readonly Figure[]>>> = {
  core: coreFigures,
  serving: () =>
    onDemo(async (base, { folder }) => [
      ...(await outletFigures(base)),
      await bookingFigures(base, folder),
    ]),
  grid: () => onDemo(async (base) => gridFigures(base, await fillTerm(base))),
  phone: () =>
    onDemo(async (base, pembit) => {
      const paint = await largestPaint(base, 5);
      const { p99 } = await runStorm(pembit);
      return [
        { what: 'the largest paint of /next on a phone, the processor slowed four times', value: shareOf(paint, 0.5), unit: 'ms', goal: { most: 1000 } },
        { what: '200 students at 20 seats, each asking four times at once, 99 % within', value: p99, unit: 'ms', goal: { most: 3000 } },
      ];
    }),
  weight: () => onDemo(weightFigures),
  large: () => largeSchoolFigures(LARGE),
  postgres: () => largeSchoolFigures(LARGE, { postgres: true }),
  two: () => largeSchoolFigures(LARGE, { postgres: true, processes: 2 }),
}; // prettier-ignore

/** JavaScript of the first load. */
async function weightFigures(base: string): Promise<readonly Figure[]> {
  const figures: Figure[] = [];
  for (const [email, path, most] of FIRST_LOADS)
    figures.push({ what: `JavaScript of the first load of ${path}, gzip`, value: await firstLoadOf(base, email, path), unit: 'kB', goal: { most } }); // prettier-ignore
  return [
    ...figures,
    { what: 'scripts in embeds', value: await scriptsOfEmbeds(base), unit: '', goal: { most: 0 } },
  ];
}

async function onDemo(
  work: (base: string, pembit: Awaited<ReturnType<typeof startPembit>>) => Promise<readonly Figure[]>,
): Promise<readonly Figure[]> {
  const pembit = await startPembit({ PEMBIT_PROXY: '1', HOST: 'localhost' });
  try {
    return await work(pembit.pembitUrl, pembit);
  } finally {
    await pembit.stop();
  }
}

const { values } = parseArgs({ options: { only: { type: 'string' }, json: { type: 'string' } } });
const only = values.only?.split(',') ?? Object.keys(PARTS);
const figures: Figure[] = [];
for (const name of only) {
  const part = PARTS[name];
  if (!part) throw new Error(`There is no part ${name}: ${Object.keys(PARTS).join(', ')}.`);
  console.error(`Measuring: ${name}`);
  figures.push(...(await part()));
}
console.log(table(figures));
if (values.json)
  writeFileSync(
    values.json,
    `${JSON.stringify({ at: new Date().toISOString(), node: process.version, processors: cpus().length, figures }, undefined, 2)}\n`,
  );
