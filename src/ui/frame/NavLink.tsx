'use client';
import { Link } from '@/ui/controls/Link';
import { usePathname } from 'next/navigation';
import styles from './Frame.module.css';
import { NAV_ICONS } from './navIcons';
import type { NavItem } from './navItem';

export function NavLink({ href, label, wideOnly, count = 0 }: NavItem) {
  const path = usePathname();
  const Icon = NAV_ICONS[href];
  const here = path === href || path.startsWith(`${href}/`);
  return (
    <Link
      href={href}

      className={styles.navLink}
      data-wide={wideOnly}
      aria-current={here ? 'page' : undefined}
    >
      {Icon ? <Icon className={styles.navIcon} /> : null}
      <span>{label}</span>
      {count > 0 ? <span className={styles.count}>{count}</span> : null}
    </Link>
  );
}
