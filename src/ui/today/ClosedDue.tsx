'use client';
import dynamic from 'next/dynamic';
import type { CheckLine } from '../checks/checkLine';

// Few mornings have any: what mends them comes with the first.
const CheckList = dynamic(() => import('../checks/CheckList').then((module) => module.CheckList), {
  ssr: false,
});

/** Work that is due on closed days, each with what mends it. */
export const ClosedDue = ({ lines }: Readonly<{ lines: readonly CheckLine[] }>) => (
  <CheckList lines={lines} />
);
