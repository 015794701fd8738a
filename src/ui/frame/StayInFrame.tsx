'use client';
import { useEffect } from 'react';

/** A tab of its own knows nobody whom a course's site has opened a frame for: what is ours opens where one is. */
export function StayInFrame() {
  useEffect(() => {
    const stay = ({ target }: MouseEvent) => {
      const link = target instanceof Element ? target.closest<HTMLAnchorElement>('a[target=_blank]') : null;
      if (link?.origin === location.origin) link.target = '_self';
    };
    document.addEventListener('click', stay, true);
    return () => document.removeEventListener('click', stay, true);
  }, []);
  return null;
}
