'use client';
import { useEffect, useState } from 'react';
import { callApi } from '../controls/callApi';
import type { PanelClass } from '../entries/panelClass';
import type { PanelEntry } from '../entries/panelData';
import type { DeskData } from './planItem';
import type { PanelState } from './panelState';

type Opened = Readonly<{
  path: string;
  entry?: PanelEntry;
  cls?: PanelClass;
  message?: string;
  /** It was shown, and is no more: an act was undone, or somebody deleted it. */
  gone?: boolean;
}>;

function pathOf(panel: PanelState): string | undefined {
  if (panel.kind === 'entry' || panel.kind === 'edit') return `/api/entries/${panel.id}`;
  return panel.kind === 'class' ? `/api/meetings/${panel.meeting}` : undefined;
}

/**
 * What the panel is about, fetched when it is opened and again after each change of the plan; until that is there, what
 * was shown last of the same stays. `message` says why there is nothing. What is gone leaves the panel empty.
 */
export function usePanelData(
  panel: PanelState,
  { version, as }: Pick<DeskData, 'version' | 'as'>,
): Omit<Opened, 'path'> {
  const [opened, setOpened] = useState<Opened>();
  const path = pathOf(panel);
  useEffect(() => {
    if (!path) return;
    let wanted = true;
    const query = as ? `?as=${encodeURIComponent(as)}` : '';
    void callApi<PanelEntry | PanelClass>('GET', path + query).then((answer) => {
      if (!wanted) return;
      if (!answer.ok)
        setOpened((before) =>
          answer.status === 404 && before?.path === path && (before.entry ?? before.cls)
            ? { path, gone: true }
            : { path, message: answer.message },
        );
      else if ('meeting' in answer.value) setOpened({ path, cls: answer.value });
      else setOpened({ path, entry: answer.value });
    });
    return () => {
      wanted = false;
    };
  }, [path, as, version]);
  return opened && opened.path === path ? opened : {};
}
