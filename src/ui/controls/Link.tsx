'use client';

import NextLink from 'next/link';
import { useState } from 'react';
import type { ComponentProps } from 'react';

/** A link to a page of Pembit, which is fetched ahead once it is pointed at or focused: a page has dozens of links, and most are never followed. */
export function Link({ onPointerEnter, onFocus, ...props }: ComponentProps<typeof NextLink>) {
  const [near, setNear] = useState(false);
  return (
    <NextLink
      {...props}
      prefetch={near ? null : false}
      onPointerEnter={(event) => {
        setNear(true);
        onPointerEnter?.(event);
      }}
      onFocus={(event) => {
        setNear(true);
        onFocus?.(event);
      }}
    />
  );
}
