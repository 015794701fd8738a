'use client';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import type { ReactNode } from 'react';
import { closureTexts } from '@/core/texts/closures';
import { daySheetTexts as say } from '@/core/texts/daySheet';
import { PlanDesk } from '../plan/PlanDesk';
import type { DeskData } from '../plan/planItem';
import styles from './DaySheet.module.css';
import type { DaySheetView } from './daySheetView';
import { Sheet } from './Sheet';

/** A day's page for those who plan it: what stands on it is opened and written beside it. */
export function DayDesk({
  view,
  data,
  children,
}: {
  view: DaySheetView;
  data: DeskData;
  children: ReactNode;
}) {
  return (
    <PlanDesk data={data}>
      {(desk) => (
        <div className={styles.page} data-date={view.date}>
          <p className="soft">{view.where}</p>
          <div className={styles.head}>
            <h1 id="plan-title">{view.heading}</h1>
            <span className={styles.tools}>
              {desk.canAdd ? (
                <Button size="small" variant="outlined" onClick={() => desk.add({ day: view.date })}>
                  {say.addHere}
                </Button>
              ) : null}{' '}
              {desk.canAdd ? (
                <Button size="small" variant="outlined" component={Link} href={`/close?day=${view.date}`}>
                  {closureTexts.onThisDay}
                </Button>
              ) : null}{' '}
              <Button size="small" variant="outlined" onClick={() => window.print()}>
                {say.print}
              </Button>
            </span>
          </div>
          {view.parts.length === 0 ? <p className="empty">{say.nothing}</p> : null}
          <Sheet view={view} onOpen={desk.open} />
          {children}
        </div>
      )}
    </PlanDesk>
  );
}
