'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Temporal } from 'temporal-polyfill';
import { termTexts } from '@/core/texts/term';
import { callApi } from '../controls/callApi';
import { useMessages } from '../controls/Messages';
import type { DeskData, PlanItem } from './planItem';

/**
 * Moving marks to another day: drawn at once, with a message from which it is undone, from which what hangs on the date is
 * brought along, and from which those who had seen the old date are told.
 */
export function useMoves({
  hanging,
  classes,
  days: words,
  version,
}: Pick<DeskData, 'hanging' | 'classes' | 'days' | 'version'>) {
  const router = useRouter();
  const say = useMessages();
  const [pending, setPending] = useState<PendingMove & { version: string }>();

  const shift = async (items: readonly PlanItem[], days: number, along: boolean): Promise<void> => {
    const body = {
      days,
      along,
      items: items.map(({ entry, recurrenceId }) => ({ id: entry, recurrenceId })),
    };
    setPending({ keys: new Set(items.map((item) => item.key)), days, version });
    const answer = await callApi('POST', '/api/entries/shift', body);
    if (!answer.ok) {
      setPending(undefined);
      return say(Object.values(answer.fields)[0] ?? answer.message);
    }
    const [first] = items;
    const date = Temporal.PlainDate.from(first!.date).add({ days }).toString();
    const to = words[date] ?? date;
    const text =
      items.length === 1
        ? termTexts.moved({ title: first!.title, when: to })
        : termTexts.movedSeveral({ n: items.length });
    const history = answer.history!;
    const companions = items.some((item) => !item.recurrenceId && hanging.includes(item.entry!));
    const bring = async () => {
      const undone = await callApi('POST', `/api/history/${history}/undo`);
      if (undone.ok) await shift(items, days, true);
      else say(undone.message);
    };
    const acts = !along && companions ? [{ label: termTexts.bringAlong, run: bring }] : [];
    say(text, history, acts);
    router.refresh();
  };

  const movePlans = async (moves: readonly PlanMove[], to: string): Promise<void> => {
    const answer = await callApi<{ title: string }>('POST', '/api/meetings/move-plans', { moves });
    say(
      answer.ok ? termTexts.moved({ title: answer.value.title, when: words[to] ?? to }) : answer.message,
      answer.ok ? answer.history : undefined,
    );
    router.refresh();
  };

  /** A class moves its plan to the class of its own section on that day, in each section that the mark stands for. */
  const move = (items: readonly PlanItem[], to: string) => {
    const [first] = items;
    if (!first || first.date === to) return;
    if (first.meeting) {
      const moves = [first.meeting, ...(first.others ?? [])].flatMap((from) => {
        const section = classes.find((c) => c.meeting === from)?.section;
        const target = classes.find((c) => c.section === section && c.date === to);
        return target ? [{ from, to: target.meeting }] : [];
      });
      if (moves.length > 0) void movePlans(moves, to);
      else say(termTexts.noClassThen);
      return;
    }
    const days = Temporal.PlainDate.from(first.date).until(to, { largestUnit: 'days' }).days;
    void shift(
      items.filter((item) => item.entry && item.movable),
      days,
      false,
    );
  };
  // Once the plan is drawn anew, what was pending is part of it.
  return { move, pending: pending?.version === version ? pending : undefined };
}

/** Marks that were moved and not yet drawn anew, and by how many days. */
export type PendingMove = Readonly<{ keys: ReadonlySet<string>; days: number }>;

type PlanMove = Readonly<{ from: string; to: string }>;
