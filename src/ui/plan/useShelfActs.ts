'use client';
import { useRouter } from 'next/navigation';
import { materialTexts } from '@/core/texts/materials';
import { callApi } from '../controls/callApi';
import { useMessages } from '../controls/Messages';
import { draftLinks, materialLink, sentLinks } from '../entries/draftLinks';
import type { PanelClass } from '../entries/panelClass';
import type { OutlineRow } from '../materials/outlineView';
import type { DropPlace } from '../materials/useShelfDrag';
import type { PanelState } from './panelState';
import { materialOn } from './panelState';

/**
 * What becomes of a material that is dropped on the plan: on a class it is linked there at once; on a day an entry is
 * drafted; a unit asks whether it is one entry or one class each.
 */
export function useShelfActs({
  course,
  today,
  show,
}: Readonly<{ course: string; today: string; show: (next: PanelState) => void }>) {
  const router = useRouter();
  const say = useMessages();

  const link = async ({ id, title }: OutlineRow, meeting: string): Promise<void> => {
    const path = `/api/meetings/${meeting}`;
    const cls = await callApi<PanelClass>('GET', path);
    if (!cls.ok) return say(cls.message);
    const { title: planned, description, links, pinned, name } = cls.value;
    const body = {
      title: planned || title.slice(0, 200),
      description,
      links: sentLinks([...draftLinks(links), materialLink({ id, title })]),
      pinned,
    };
    const answer = await callApi('PUT', `${path}/plan`, body);
    say(
      answer.ok ? materialTexts.linkedTo({ material: title, title: planned || name }) : answer.message,
      answer.ok ? answer.history : undefined,
    );
    if (answer.ok) router.refresh();
  };
  const place = (row: OutlineRow, day: string) => {
    const { id, title } = row;
    show(
      row.kind === 'unit'
        ? { kind: 'place', unit: { id, title }, course, from: day }
        : materialOn(row, { day, course }),
    );
  };
  return {
    drop: (row: OutlineRow, { date, meeting }: DropPlace) => {
      if (meeting && row.kind !== 'unit') void link(row, meeting);
      else place(row, date);
    },
    plan: (row: OutlineRow) => place(row, today),
  };
}
