import type { Device } from './device';

/** A device behind an event stream of this server, as the simulated ones are. */
export const byStream = (address: string): Device => ({
  listen(on, lost) {
    const source = new EventSource(address);
    source.onmessage = (e) => {
      let sample: unknown;
      try {
        sample = JSON.parse(e.data as string);
      } catch {
        return lost('it said what is no JSON');
      }
      on([sample]).catch((error: unknown) => lost(String(error)));
    };
    // It comes again by itself.
    source.onerror = () => lost('the line is broken');
    return () => source.close();
  }
});
