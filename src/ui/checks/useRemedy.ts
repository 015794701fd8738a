'use client';
import { useRouter } from 'next/navigation';
import { checkTexts } from '@/core/texts/checks';
import { useKept } from '../controls/useKept';
import { useSubmit } from '../controls/useSubmit';
import type { PanelState } from '../plan/panelState';
import { NONE } from '../plan/panelState';
import type { CheckLine } from './checkLine';

/** Opens what a finding is about, and puts it right by the acts that a person has, each with its undo. */
export function useRemedy() {
  const router = useRouter();
  const [, keepPanel] = useKept<PanelState>('panel', NONE);
  const { submit, message, errors, busy } = useSubmit();

  const open = ({ entry, meeting, href }: CheckLine) => {
    if (href) return router.push(href);
    keepPanel(entry ? { kind: 'entry', id: entry } : { kind: 'class', meeting: meeting! });
    router.push('/term');
  };
  const apply = async (line: CheckLine): Promise<void> => {
    const { remedy, entry, title, sequence } = line;
    const path = `/api/entries/${entry}`;
    const did = () => checkTexts.did({ title });
    switch (remedy.act) {
      case 'open':
        return open(line);
      case 'shift':
        return void (await submit('POST', `${path}/shift`, { days: remedy.days, along: false }, did));
      case 'line':
        return void (await submit('PUT', `${path}/line`, { sequence, title, on: remedy.on }, did));
      case 'place':
        return void (await submit('PUT', `${path}/place`, { start: remedy.start, end: remedy.end }, did));
      case 'dates':
        return void (await submit('POST', `${path}/dates`, { field: remedy.field, days: remedy.days }, did));
      case 'show':
        return void (await submit('POST', '/api/entries/bulk', { ids: [entry], act: 'show' }, did));
      default:
        return remedy satisfies never;
    }
  };
  return { open, apply, busy, problem: message ?? Object.values(errors)[0] };
}
