'use client';
import type { PointerEvent } from 'react';
import { useRef, useState } from 'react';

/** What is being dragged: a mark, by its key, or a range of days from one on. */
export type Drag =
  | Readonly<{ kind: 'mark'; key: string; over?: string }>
  | Readonly<{ kind: 'days'; from: string; over: string }>;

type Origin = Readonly<{ x: number; y: number; what: 'mark' | 'days'; id: string }>;

/** How far a press must go before it is a drag and not a click. */
const THRESHOLD = 6;

const dateUnder = (x: number, y: number): string | undefined =>
  document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-date]')?.dataset.date;

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
    dragged.current = true;
    const over = dateUnder(event.clientX, event.clientY);
    if (from.what === 'mark') setDrag({ kind: 'mark', key: from.id, over });
    else setDrag({ kind: 'days', from: from.id, over: over ?? from.id });
  };
  const end = (event: PointerEvent) => {
    const from = origin.current;
    origin.current = undefined;
    setDrag(undefined);
    if (!from || !dragged.current) return;
    const to = dateUnder(event.clientX, event.clientY);
    if (!to) return;
    if (from.what === 'mark') onMark(from.id, to);
    else if (to !== from.id) onDays(...((to < from.id ? [to, from.id] : [from.id, to]) as [string, string]));
  };
  const stop = () => {
    origin.current = undefined;
    setDrag(undefined);
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
