'use client';
import MoreIcon from '@mui/icons-material/MoreHorizOutlined';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { frameTexts } from '@/core/texts/frame';
import styles from './Frame.module.css';
import { NavLink } from './NavLink';
import type { NavItem } from './navItem';

/** What the bar of a phone has no room for, above its last word. */
export function MoreNav({ items }: { items: readonly NavItem[] }) {
  const details = useRef<HTMLDetailsElement>(null);
  const path = usePathname();
  useEffect(() => {
    if (details.current) details.current.open = false;
  }, [path]);
  return (
    <details ref={details} className={styles.moreNav}>
      <summary className={styles.navLink}>
        <MoreIcon className={styles.navIcon} />
        <span>{frameTexts.nav.more}</span>
      </summary>
      <div className={styles.moreList}>
        {items.map((item) => (
          <NavLink key={item.href} {...item} wideOnly={false} />
        ))}
      </div>
    </details>
  );
}
