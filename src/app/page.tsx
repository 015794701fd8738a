import { redirect } from 'next/navigation';
import { homeOf } from '@/server/session/homeOf';
import { signedInOr } from './signedIn';

export default async function Home() {
  redirect(homeOf(await signedInOr('/')));
}
