import type { QueryClient } from '@tanstack/react-query';
import { forgetAll } from '@/lib/browserStore';

const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('hour-grid-signed-out');

/** Leaves nothing of who was signed in: not in this window, nor in others of this browser. */
export function forgetPerson(client: QueryClient): void {
  client.clear();
  forgetAll();
  channel?.postMessage('signed out');
}

/** Begins anew where another window has signed out. */
export function watchSignOut(): () => void {
  const begin = () => window.location.replace('/');
  channel?.addEventListener('message', begin);
  return () => channel?.removeEventListener('message', begin);
}
