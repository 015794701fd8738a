'use client';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useState, useTransition } from 'react';

/**
 * Opens a cell in place, with all its marks, or closes it again. It stands in the address: the page brings the marks, so
 * that the other cells need not carry theirs, and a refresh keeps it open. `opening` is the cell that is waited for.
 */
export function useOpenDay() {
  const router = useRouter();
  const path = usePathname();
  const params = useSearchParams();
  const [waiting, wait] = useTransition();
  const [asked, setAsked] = useState<string>();
  return {
    opening: waiting ? asked : undefined,
    open: (date: string | undefined) => {
      const next = new URLSearchParams(params);
      if (date) next.set('open', date);
      else next.delete('open');
      setAsked(date);
      wait(() => router.replace(`${path}?${next}`, { scroll: false }));
    },
  };
}
