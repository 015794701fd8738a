'use client';
import { useEffect, useState } from 'react';
import { callApi } from '../controls/callApi';
import type { OutlineRow } from './outlineView';

/** The outlines of some courses, one after the other, fetched once they are wanted and again after each change of the plan. */
export function useOutlines(
  courses: readonly string[],
  { wanted, version }: Readonly<{ wanted: boolean; version?: string }>,
): readonly OutlineRow[] | undefined {
  const [rows, setRows] = useState<readonly OutlineRow[]>();
  const key = courses.join(' ');
  useEffect(() => {
    if (!wanted || key === '') return;
    let current = true;
    const asked = key
      .split(' ')
      .map((course) => callApi<readonly OutlineRow[]>('GET', `/api/courses/${course}/materials`));
    void Promise.all(asked).then((answers) => {
      if (current) setRows(answers.flatMap((answer) => (answer.ok ? answer.value : [])));
    });
    return () => {
      current = false;
    };
  }, [key, wanted, version]);
  return rows;
}
