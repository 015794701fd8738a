'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { noticeTexts as say } from '@/core/texts/notices';
import { useSubmit } from '../controls/useSubmit';
import styles from './Account.module.css';

type Props = Readonly<{
  publicKey: string;
  devices: readonly Readonly<{ id: string; name: string; here: boolean }>[];
}>;

/** The browser's own subscription (W3C Push API); why there is none as a sentence. */
async function subscribe(publicKey: string): Promise<PushSubscriptionJSON | string> {
  if (!('serviceWorker' in navigator) || !('PushManager' in window)) return say.cannot;
  if ((await Notification.requestPermission()) !== 'granted') return say.blocked;
  await navigator.serviceWorker.register('/sw.js');
  const { pushManager } = await navigator.serviceWorker.ready;
  const made = await pushManager
    .subscribe({ userVisibleOnly: true, applicationServerKey: publicKey })
    .catch(() => undefined);
  return made?.toJSON() ?? say.unreachable;
}

const isHandheld = () => /Mobi|Android|iPad/.test(navigator.userAgent);

/** Which devices show urgent notices, and switching this one on. */
export function Notices({ publicKey, devices }: Props) {
  const { submit, message, busy } = useSubmit();
  const [refusal, setRefusal] = useState<string>();
  const switchOn = async () => {
    const made = await subscribe(publicKey);
    setRefusal(typeof made === 'string' ? made : undefined);
    if (typeof made === 'string') return;
    const body = { endpoint: made.endpoint, ...made.keys, kind: isHandheld() ? 'phone' : 'computer' };
    await submit('POST', '/api/account/devices', body, () => say.on);
  };
  return (
    <section className={styles.step} aria-labelledby="notices">
      <h2 id="notices">{say.title}</h2>
      <p className="soft">{say.lead}</p>
      {devices.length > 0 ? (
        <ul className={styles.places}>
          {devices.map(({ id, name, here }) => (
            <li key={id}>
              <span>{say.device({ name, here })}</span>
              <Button
                size="small"
                disabled={busy}
                aria-label={say.endOn({ name })}
                onClick={() =>
                  void submit('DELETE', `/api/account/devices/${id}`, undefined, () => say.ended)
                }
              >
                {say.end}
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
      {(refusal ?? message) ? <p role="alert">{refusal ?? message}</p> : null}
      {devices.some(({ here }) => here) ? null : (
        <Button variant="outlined" disabled={busy} onClick={() => void switchOn()}>
          {say.switchOn}
        </Button>
      )}
    </section>
  );
}
