'use client';
import AddIcon from '@mui/icons-material/AddOutlined';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { termTexts } from '@/core/texts/term';
import { weekTexts } from '@/core/texts/week';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import { PlanDesk } from '../plan/PlanDesk';
import deskStyles from '../plan/PlanDesk.module.css';
import { ShelfButton } from '../plan/ShelfButton';
import type { DeskData } from '../plan/planItem';
import { Hours } from './Hours';
import type { WeekView } from './weekView';

type Props = Readonly<{ view: Packed<WeekView>; data: Packed<DeskData>; today: string }>;

/** One week by the hour, with the panel beside it. */
export function WeekDesk({ today, ...given }: Props) {
  const view = useUnpacked(given.view);
  const data = useUnpacked(given.data);
  const day = view.days.find((d) => d.today)?.date ?? view.days[0]!.date;
  return (
    <PlanDesk data={data}>
      {(desk) => (
        <>
          <div className={deskStyles.heading}>
            <h1 id="plan-title">{view.title}</h1>
            <nav className={deskStyles.zooms} aria-label={weekTexts.name}>
              <Link href={`?from=${view.previous}`}>{weekTexts.earlier}</Link>
              <Link href={`?from=${today}`}>{weekTexts.thisWeek}</Link>
              <Link href={`?from=${view.next}`}>{weekTexts.later}</Link>
            </nav>
            {desk.canAdd ? (
              <Button
                className={deskStyles.add}
                size="small"
                variant="outlined"
                startIcon={<AddIcon />}
                onClick={() => desk.add({ day })}
              >
                {termTexts.add}
              </Button>
            ) : null}
            <ShelfButton desk={desk} />
          </div>
          <Hours view={view} desk={desk} />
        </>
      )}
    </PlanDesk>
  );
}
