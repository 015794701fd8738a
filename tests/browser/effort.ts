import { expect } from 'vitest';
import type { Person } from './browser';

/** After an act whoever works by keyboard is somewhere: on what was done, the next thing, or the part of the page it is in. */
async function keepsFocus({ driver }: Person, job: string): Promise<void> {
  const somewhere = 'return document.activeElement !== null && document.activeElement !== document.body';
  await driver.wait(
    () => driver.executeScript<boolean>(somewhere),
    10_000,
    `The focus is nowhere after: ${job}`,
  );
}

/** Inputs of jobs, counted while they are done and held to their ceilings; printed as a table at the end. */
export function effortTable() {
  const effort: (readonly [job: string, ceiling: number, inputs: number])[] = [];
  return {
    counted: async (
      person: Person,
      job: string,
      ceiling: number,
      work: () => Promise<void>,
    ): Promise<void> => {
      person.inputs();
      await work();
      await keepsFocus(person, job);
      const took = person.inputs();
      effort.push([job, ceiling, took]);
      expect(took).toBeLessThanOrEqual(ceiling);
    },
    print: () =>
      console.log(
        [
          'Effort, in inputs (ceiling):',
          ...effort.map(([job, most, took]) => `  ${took} (${most})  ${job}`),
        ].join('\n'),
      ),
  };
}
