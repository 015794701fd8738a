'use client';
import dynamic from 'next/dynamic';
import { useState, useSyncExternalStore } from 'react';
import type { PersonSettings } from '@/core/frame/personSettings';

// Few readers are elsewhere: what they are asked comes with the first.
const ZoneOfferCard = dynamic(() => import('./ZoneOfferCard').then((module) => module.ZoneOfferCard), {
  ssr: false,
});

const KEPT = 'pembit-zone-declined';
const never = () => () => undefined;
const deviceZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** What a clock shows there now. */
const clockIn = (timeZone: string) =>
  new Intl.DateTimeFormat('en', { timeZone, dateStyle: 'short', timeStyle: 'short' }).format();

/** The zone for which somebody has said, on this device, that they do not want its times. */
const declined = () => {
  try {
    return localStorage.getItem(KEPT) ?? '';
  } catch {
    return ''; // a browser that keeps nothing asks each time
  }
};

type Props = Readonly<{ settings: PersonSettings; zones: readonly string[] }>;

/** Offers a reader whose device goes by another clock to have both; once for each place. */
export function ZoneOffer({ settings, zones }: Props) {
  const device = useSyncExternalStore(never, deviceZone, () => '');
  const before = useSyncExternalStore(never, declined, () => '');
  const [gone, setGone] = useState(false);
  const [school] = zones;
  if (gone || settings.tzid || !school || !device || device === before) return null;
  if (zones.some((zone) => clockIn(zone) === clockIn(device))) return null;
  const decline = () => {
    setGone(true);
    try {
      localStorage.setItem(KEPT, device);
    } catch {
      // It is asked again.
    }
  };
  return <ZoneOfferCard settings={settings} device={device} school={school} onDecline={decline} />;
}
