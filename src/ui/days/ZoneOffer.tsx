'use client';
import Button from '@mui/material/Button';
import { useState, useSyncExternalStore } from 'react';
import type { PersonSettings } from '@/core/frame/personSettings';
import { ownSettingsTexts as say, studentTexts } from '@/core/texts/student';
import { zoneWords } from '@/core/time/zoneWords';
import { useSubmit } from '../controls/useSubmit';

const KEPT = 'pembit-zone-declined';
const never = () => () => undefined;
/** What a clock shows there now. */
const clockIn = (timeZone: string) =>
  new Intl.DateTimeFormat('en', { timeZone, dateStyle: 'short', timeStyle: 'short' }).format();

const deviceZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The zone for which somebody has said, on this device, that they do not want its times. */
const declined = () => {
  try {
    return localStorage.getItem(KEPT) ?? '';
  } catch {
    return ''; // a browser that keeps nothing asks each time
  }
};

/** Offers a reader whose device is elsewhere to have both clocks; once for each place. */
export function ZoneOffer({
  settings,
  zones,
}: Readonly<{ settings: PersonSettings; zones: readonly string[] }>) {
  const { submit, busy, message } = useSubmit();
  const device = useSyncExternalStore(never, deviceZone, () => '');
  const before = useSyncExternalStore(never, declined, () => '');
  const [gone, setGone] = useState(false);
  if (
    gone ||
    settings.tzid ||
    !device ||
    device === before ||
    zones.some((zone) => clockIn(zone) === clockIn(device))
  )
    return null;
  const decline = () => {
    setGone(true);
    try {
      localStorage.setItem(KEPT, device);
    } catch {
      // It is asked again.
    }
  };
  return (
    <div className="notice" role="status">
      <p>{say.elsewhere(zoneWords(device), zoneWords(zones[0] ?? ''))}</p>
      <p style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
        <Button
          size="small"
          variant="contained"
          disabled={busy}
          onClick={() =>
            void submit(
              'PUT',
              '/api/account',
              { ...settings, tzid: device },
              () => studentTexts.savedSettings,
            )
          }
        >
          {say.showBoth}
        </Button>
        <Button size="small" variant="outlined" onClick={decline}>
          {say.schoolAlone}
        </Button>
      </p>
      {message ? <p role="alert">{message}</p> : null}
    </div>
  );
}
