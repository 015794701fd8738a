'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import styles from './Frame.module.css';

export function NavLink({ href, label, wideOnly }: { href: string; label: string; wideOnly?: boolean }) {
  const path = usePathname();
  const here = path === href || path.startsWith(`${href}/`);
  return (
    <Link
      href={href}
      // Each refresh of a page would fetch all of them again.
      prefetch={false}
      className={styles.navLink}
      data-wide={wideOnly}
      aria-current={here ? 'page' : undefined}
    >
      {label}
    </Link>
  );
}
