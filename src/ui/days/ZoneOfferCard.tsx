'use client';
import Button from '@mui/material/Button';
import type { PersonSettings } from '@/core/frame/personSettings';
import { ownSettingsTexts as say, studentTexts } from '@/core/texts/student';
import { zoneWords } from '@/core/time/zoneWords';
import { useSubmit } from '../controls/useSubmit';

/** Offers a reader whose device is elsewhere to have both clocks; once for each place. */
export function ZoneOfferCard({
  settings,
  device,
  school,
  onDecline,
}: Readonly<{ settings: PersonSettings; device: string; school: string; onDecline: () => void }>) {
  const { submit, busy, message } = useSubmit();
  return (
    <div className="notice" role="status">
      <p>{say.elsewhere({ own: zoneWords(device), school: zoneWords(school) })}</p>
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
        <Button size="small" variant="outlined" onClick={onDecline}>
          {say.schoolAlone}
        </Button>
      </p>
      {message ? <p role="alert">{message}</p> : null}
    </div>
  );
}
