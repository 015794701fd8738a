'use client';
import type { Chart } from 'chart.js';
import { useEffect, useRef } from 'react';

/** `color` is a variable of the theme. */
type Series = Readonly<{ label: string; color: string; data: readonly number[] }>;

/** Bars that stand on one another, and a line across them. The same figures stand beside it in a table. */
export function BarChart({
  label,
  labels,
  bars,
  line,
}: {
  label: string;
  labels: readonly string[];
  bars: readonly Series[];
  line?: Series;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const drawn = JSON.stringify({ labels, bars, line });
  useEffect(() => {
    let chart: Chart | undefined;
    let gone = false;
    const given = JSON.parse(drawn) as { labels: string[]; bars: Series[]; line?: Series };
    // The chart's code is fetched only by those who look at one.
    void import('chart.js/auto').then(({ Chart: Made }) => {
      if (gone || !canvas.current) return;
      const theme = getComputedStyle(document.documentElement);
      const color = (name: string) => theme.getPropertyValue(name).trim();
      Made.defaults.font.family = getComputedStyle(document.body).fontFamily;
      Made.defaults.color = color('--ink');
      chart = new Made(canvas.current, {
        data: {
          labels: given.labels,
          datasets: [
            ...(given.line
              ? [{ type: 'line' as const, label: given.line.label, data: [...given.line.data], borderColor: color(given.line.color), borderWidth: 2, borderDash: [6, 4], pointRadius: 0, stack: 'line' }] // prettier-ignore
              : []),
            ...given.bars.map((bar) => ({ type: 'bar' as const, label: bar.label, data: [...bar.data], backgroundColor: color(bar.color), stack: 'bars' })), // prettier-ignore
          ],
        },
        options: {
          animation: false,
          responsive: true,
          maintainAspectRatio: false,
          scales: { x: { stacked: true }, y: { stacked: true, beginAtZero: true } },
        },
      });
    });
    return () => {
      gone = true;
      chart?.destroy();
    };
  }, [drawn]);
  return <canvas ref={canvas} role="img" aria-label={label} />;
}
