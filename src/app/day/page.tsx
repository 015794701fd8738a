import { notFound, redirect } from 'next/navigation';
import { sheetDays } from '@/core/plan/daySheet';

type Search = Promise<{ from?: string; to?: string; course?: string }>;

/** Leads from two days, as a form sends them, to the address of their sheets. */
export default async function DaysPage({ searchParams }: { searchParams: Search }) {
  const { from = '', to = from, course } = await searchParams;
  const [first, last] = from <= to ? [from, to] : [to, from];
  const days = first === last ? first : `${first}..${last}`;
  if (!sheetDays(days)) notFound();
  redirect(`/day/${days}${course ? `?course=${encodeURIComponent(course)}` : ''}`);
}
