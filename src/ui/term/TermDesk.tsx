'use client';
import AddIcon from '@mui/icons-material/AddOutlined';
import PasteIcon from '@mui/icons-material/ContentPasteOutlined';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { usePathname, useSearchParams } from 'next/navigation';
import { useEffect } from 'react';
import { carryTexts } from '@/core/texts/carryOver';
import { termTexts } from '@/core/texts/term';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import { ShelfButton } from '../plan/ShelfButton';
import type { DeskData } from '../plan/planItem';
import { PlanDesk } from '../plan/PlanDesk';
import styles from '../plan/PlanDesk.module.css';
import { TermGrid } from './TermGrid';
import type { TermGridView } from './termView';

type Props = Readonly<{ view: Packed<TermGridView>; data: Packed<DeskData>; today: string }>;

/** The whole term on one page, with the panel beside it. */
export function TermDesk({ today, ...given }: Props) {
  const view = useUnpacked(given.view);
  const data = useUnpacked(given.data);
  useEffect(toPresentWeek, []);
  return (
    <PlanDesk data={data}>
      {(desk) => (
        <>
          <div className={styles.heading}>
            <h1 id="plan-title">{view.title}</h1>
            <p className="soft">{view.now ? <a href="#now">{view.now}</a> : view.span}</p>
            <Zooms view={view} />
            {desk.canAdd ? (
              <Button
                className={styles.add}
                size="small"
                variant="outlined"
                startIcon={<AddIcon />}
                onClick={() => desk.add({ day: today })}
              >
                {termTexts.add}
              </Button>
            ) : null}
            <ShelfButton desk={desk} />
            {data.courses.length > 0 ? (
              <Button
                className={styles.tool}
                size="small"
                variant="outlined"
                startIcon={<PasteIcon />}
                onClick={desk.fill}
              >
                {termTexts.fill}
              </Button>
            ) : null}
            {view.zoom === 'one' && data.courses.length > 1 ? (
              <Link href={`/carry-over?week=${view.from}&from=${data.addsTo ?? data.courses[0]!.id}`}>
                {carryTexts.copyWeek}
              </Link>
            ) : null}
          </div>
          <TermGrid view={view} desk={desk} />
        </>
      )}
    </PlanDesk>
  );
}

/** Where a term does not fit the screen it opens at the present week, unless one comes back to where one was. */
function toPresentWeek(): void {
  if (window.matchMedia('(max-width: 760px)').matches && window.scrollY === 0)
    document.getElementById('now')?.scrollIntoView();
}

const KINDS = ['all', 'six', 'one'] as const;

/** The whole term, six weeks or one; the smaller ones are leafed through. */
function Zooms({ view }: { view: TermGridView }) {
  const path = usePathname();
  const params = useSearchParams();
  const to = (zoom: string, from: number) => {
    const next = new URLSearchParams(params);
    next.delete('weeks');
    next.delete('from');
    if (zoom !== 'all') {
      next.set('weeks', zoom);
      next.set('from', String(from));
    }
    return `${path}?${next}`;
  };
  const step = view.zoom === 'six' ? 6 : 1;
  const thisWeek = Number(/\d+/.exec(view.now ?? '')?.[0] ?? 1);
  const begin = (zoom: (typeof KINDS)[number]) =>
    view.zoom !== 'all'
      ? view.from
      : zoom === 'six'
        ? Math.max(1, Math.min(thisWeek - 1, view.lastWeek - 5))
        : thisWeek;
  return (
    <nav className={styles.zooms} aria-label={termTexts.zoom}>
      {KINDS.map((zoom) => (
        <Link key={zoom} href={to(zoom, begin(zoom))} aria-current={zoom === view.zoom ? 'true' : undefined}>
          {termTexts.weeks[zoom]}
        </Link>
      ))}
      {view.zoom !== 'all' && view.from > 1 ? (
        <Link href={to(view.zoom, Math.max(1, view.from - step))}>{termTexts.earlier}</Link>
      ) : null}
      {view.zoom !== 'all' && view.from + step <= view.lastWeek ? (
        <Link href={to(view.zoom, view.from + step)}>{termTexts.later}</Link>
      ) : null}
    </nav>
  );
}
