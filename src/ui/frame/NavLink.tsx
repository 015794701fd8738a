'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import styles from './Frame.module.css';

export function NavLink({ href, label }: { href: string; label: string }) {
  const path = usePathname();
  const here = path === href || path.startsWith(`${href}/`);
  return (
    <Link href={href} className={styles.navLink} aria-current={here ? 'page' : undefined}>
      {label}
    </Link>
  );
}
