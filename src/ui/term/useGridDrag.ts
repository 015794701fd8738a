'use client';
import type { PointerEvent } from 'react';
import { useRef, useState } from 'react';

/** What is being dragged: a mark, by its key, or a range of days from one on. */
export type Drag = Readonly<{ kind: 'mark'; key: string }> | Readonly<{ kind: 'days'; from: string }>;

type Origin = Readonly<{ x: number; y: number; what: 'mark' | 'days'; id: string }>;

/** How far a press must go before it is a drag and not a click. */
const THRESHOLD = 6;

const dateUnder = (x: number, y: number): string | undefined =>
  document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-date]')?.dataset.date;

const isBetween = (date: string, a: string, b: string) =>
  a < b ? date >= a && date <= b : date >= b && date <= a;

/**
 * Marks the days that would be taken by `data-target`. Not through React: it would draw the whole grid anew with each day that
 * a hand comes over, and miss frames.
 */
function markTargets(surface: Element, origin?: Origin, over?: string): void {
  for (const day of surface.querySelectorAll<HTMLElement>('[data-date]')) {
    const date = day.dataset.date!;
    const taken =
      origin !== undefined &&
      over !== undefined &&
      (origin.what === 'mark' ? date === over : isBetween(date, origin.id, over));
    if (taken) day.dataset.target = 'true';
    else delete day.dataset.target;
  }
}

type Handlers = Readonly<{
  onMark: (key: string, to: string) => void;
  onDays: (first: string, last: string) => void;
}>;

/**
 * Dragging over the cells of a grid whose days carry `data-date`: marks to another day, or days into a range. Pointer
 * events serve mouse, pen and touch alike; a press that does not go far stays a click.
 */
export function useGridDrag({ onMark, onDays }: Handlers) {
  const origin = useRef<Origin>(undefined);
  const dragged = useRef(false);
  const over = useRef<string>(undefined);
  const [drag, setDrag] = useState<Drag>();

  const begin = (event: PointerEvent, what: Origin['what'], id: string) => {
    // Touch scrolls the page; a long way to drag is not offered there.
    if (event.button !== 0 || event.pointerType === 'touch') return;
    origin.current = { x: event.clientX, y: event.clientY, what, id };
    dragged.current = false;
  };
  const move = (event: PointerEvent) => {
    const from = origin.current;
    if (!from) return;
    if (!dragged.current && Math.hypot(event.clientX - from.x, event.clientY - from.y) < THRESHOLD) return;
    if (!dragged.current)
      setDrag(from.what === 'mark' ? { kind: 'mark', key: from.id } : { kind: 'days', from: from.id });
    dragged.current = true;
    const under = dateUnder(event.clientX, event.clientY) ?? (from.what === 'days' ? from.id : undefined);
    if (under === over.current) return;
    over.current = under;
    markTargets(event.currentTarget, from, under);
  };
  const stop = (event: PointerEvent) => {
    origin.current = undefined;
    if (over.current !== undefined) markTargets(event.currentTarget);
    over.current = undefined;
    setDrag(undefined);
  };
  const end = (event: PointerEvent) => {
    const from = origin.current;
    stop(event);
    if (!from || !dragged.current) return;
    const to = dateUnder(event.clientX, event.clientY);
    if (!to) return;
    if (from.what === 'mark') onMark(from.id, to);
    else if (to !== from.id) onDays(...((to < from.id ? [to, from.id] : [from.id, to]) as [string, string]));
  };
  /** A drag ends with a click on what it began on: that one is not meant. */
  const wasDragged = () => {
    const was = dragged.current;
    dragged.current = false;
    return was;
  };
  return {
    drag,
    begin,
    wasDragged,
    surface: { onPointerMove: move, onPointerUp: end, onPointerLeave: stop },
  };
}
