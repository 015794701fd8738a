import { expect } from 'vitest';
import type { Person } from './browser';

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
