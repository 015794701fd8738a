'use client';
import type { PointerEvent } from 'react';
import { useRef, useState } from 'react';

/** Minutes to which times snap. */
const STEP = 15;
/** How far a press must go before it is a drag and not a click. */
const THRESHOLD = 5;

export type HourDrag = Readonly<{
  what: 'paint' | 'move' | 'resize';
  key: string;
  date: string;
  from: number;
  to: number;
}>;
type Origin = HourDrag & Readonly<{ x: number; y: number; minute: number }>;

export const clockOf = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

const snap = (minutes: number) => Math.max(0, Math.min(24 * 60 - STEP, Math.round(minutes / STEP) * STEP));

/** The day and minute under the pointer: columns carry `data-day` and the minutes of their top and height. */
function under(event: PointerEvent): { date: string; minute: number } | undefined {
  const column = document
    .elementsFromPoint(event.clientX, event.clientY)
    .find((e): e is HTMLElement => e instanceof HTMLElement && e.dataset.day !== undefined);
  if (!column) return undefined;
  const { top, height } = column.getBoundingClientRect();
  const first = Number(column.dataset.first) * 60;
  return {
    date: column.dataset.day!,
    minute: first + ((event.clientY - top) / height) * Number(column.dataset.minutes),
  };
}

function dragged(from: Origin, at: { date: string; minute: number }): HourDrag {
  const { what, key, date } = from;
  switch (what) {
    case 'move': {
      const start = snap(from.from + at.minute - from.minute);
      return { what, key, date: at.date, from: start, to: start + (from.to - from.from) };
    }
    case 'resize':
      return { what, key, date, from: from.from, to: Math.max(from.from + STEP, snap(at.minute)) };
    case 'paint': {
      const begin = Math.min(snap(from.minute), snap(at.minute));
      const end = Math.max(snap(from.minute), snap(at.minute), begin + STEP);
      return { what, key, date, from: begin, to: end };
    }
    default:
      return what satisfies never;
  }
}

/** Painting a new event over the hours, moving one, giving one another end. */
export function useHourDrag(onDone: (drag: HourDrag) => void) {
  const origin = useRef<Origin>(undefined);
  const moved = useRef(false);
  const [drag, setDrag] = useState<HourDrag>();

  const begin = (event: PointerEvent, start: HourDrag) => {
    // Touch scrolls the page.
    if (event.button !== 0 || event.pointerType === 'touch') return;
    event.stopPropagation();
    const at = under(event);
    if (!at) return;
    origin.current = { ...start, x: event.clientX, y: event.clientY, minute: at.minute };
    moved.current = false;
  };
  const current = (event: PointerEvent): HourDrag | undefined => {
    const at = under(event);
    return origin.current && at ? dragged(origin.current, at) : undefined;
  };
  const move = (event: PointerEvent) => {
    const from = origin.current;
    if (!from) return;
    const far = Math.hypot(event.clientX - from.x, event.clientY - from.y) >= THRESHOLD;
    if (!moved.current && !far) return;
    moved.current = true;
    setDrag(current(event));
  };
  const stop = () => {
    origin.current = undefined;
    setDrag(undefined);
  };
  const end = (event: PointerEvent) => {
    const last = moved.current ? current(event) : undefined;
    stop();
    if (last) onDone(last);
  };
  /** A drag ends with a click on what it began on: that one is not meant. */
  const wasDragged = () => {
    const was = moved.current;
    moved.current = false;
    return was;
  };
  return {
    drag,
    begin,
    wasDragged,
    surface: { onPointerMove: move, onPointerUp: end, onPointerLeave: stop },
  };
}
