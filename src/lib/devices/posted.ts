import type { Device } from './device';

/** So often what was posted is asked for, ms. */
const EVERY = 30_000;

type Lent = { samples: unknown[]; lease: string };

/** The server has another pairing code than the one that the key was made of. */
export const NOT_PAIRED = 'the server does not know its key';

/** A device that posts to this server with a key. What it posted is gone from there once it is kept here, and not before. */
export const byPost = (id: string, key: string, reader: string): Device => ({
  listen(on, lost) {
    const address = `/api/devices/${encodeURIComponent(id)}/readings`;
    const headers = { authorization: `Bearer ${key}` };
    let isOn = true;
    const ask = async () => {
      try {
        const answer = await fetch(`${address}?reader=${encodeURIComponent(reader)}`, { headers });
        if (answer.status === 401) throw new Error(NOT_PAIRED);
        if (!answer.ok) throw new Error(`the server answers ${answer.status}`);
        const { samples, lease } = (await answer.json()) as Lent;
        // What was lent to a page that listens no more comes back by itself.
        if (!isOn || samples.length === 0) return;
        await on(samples);
        await fetch(`${address}?lease=${lease}`, { method: 'DELETE', headers });
        if (samples.length >= 1000) void ask();
      } catch (e) {
        lost(e instanceof Error ? e.message : String(e));
      }
    };
    void ask();
    const timer = setInterval(() => void ask(), EVERY);
    return () => {
      isOn = false;
      clearInterval(timer);
    };
  }
});
