import { sayOffer } from './said.svelte';

/**
 * Tells when a newer build of the app waits, and takes it when that is wanted: what is half typed is kept as it is
 * typed, and a write is whole or not there.
 */
export async function watchForNewer(): Promise<void> {
  const workers = navigator.serviceWorker;
  const registration = await workers?.getRegistration();
  if (!workers || !registration) return;
  const tell = (waiting: ServiceWorker) =>
    sayOffer('A newer Vecino is ready.', 'Take it', async () => waiting.postMessage('take'));
  // Without one before there is nothing newer: the first is only being kept.
  if (registration.waiting && workers.controller) tell(registration.waiting);
  registration.addEventListener('updatefound', () => {
    const coming = registration.installing;
    coming?.addEventListener('statechange', () => {
      if (coming.state === 'installed' && workers.controller) tell(coming);
    });
  });
  let had = workers.controller !== null;
  workers.addEventListener('controllerchange', () => {
    if (had) location.reload();
    had = true;
  });
}
