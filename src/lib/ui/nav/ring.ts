/** What a browser may be asked for: to say, out of its window, that a wait is over. */
type Trigger = new (at: number) => unknown;

const canNotify = (): boolean => typeof Notification !== 'undefined';
export const mayRing = (): NotificationPermission | 'never' =>
  canNotify() ? Notification.permission : 'never';
export const askToRing = async (): Promise<boolean> =>
  canNotify() && (await Notification.requestPermission()) === 'granted';

/** The worker that shows it; null where there is none, as in a private window. */
async function worker(): Promise<ServiceWorkerRegistration | null> {
  return (await navigator.serviceWorker?.getRegistration()) ?? null;
}

/** What is said, and the page it speaks of: it opens when it is pressed and no tab of Vecino is. */
export type Ringing = { text: string; tag: string; page: string };
const shown = (r: Ringing) => ({ body: r.text, tag: r.tag, icon: '/icon-192.png', data: { page: r.page } });

/** Says now that something is over. */
export async function ring(r: Ringing): Promise<void> {
  if (mayRing() !== 'granted') return;
  const options = shown(r);
  const by = await worker();
  if (by) await by.showNotification('Vecino', options);
  else new Notification('Vecino', options);
}

/**
 * Says it at a moment, ms, though every tab is closed by then: where the browser can, by its own clock.
 * @returns whether it can
 */
export async function ringAt(r: Ringing, at: number): Promise<boolean> {
  const { TimestampTrigger } = globalThis as { TimestampTrigger?: Trigger };
  const by = await worker();
  if (!TimestampTrigger || !by || mayRing() !== 'granted' || at <= Date.now()) return false;
  await by.showNotification('Vecino', {
    ...shown(r),
    showTrigger: new TimestampTrigger(at)
  } as NotificationOptions);
  return true;
}
