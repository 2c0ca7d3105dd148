import type { Device } from './device';

/** So often what was posted is asked for, ms. */
const EVERY = 30_000;

type Waiting = { samples: unknown[]; upTo: number };

/** A device that posts to this server with a key; what it posted is taken, and gone from there. */
export const byPost = (id: string, key: string): Device => ({
  listen(on, lost) {
    const address = `/api/devices/${encodeURIComponent(id)}/readings`;
    const headers = { authorization: `Bearer ${key}` };
    let isOn = true;
    const ask = async () => {
      try {
        const answer = await fetch(address, { headers });
        if (!answer.ok) throw new Error(`the server answers ${answer.status}`);
        const { samples, upTo } = (await answer.json()) as Waiting;
        if (!isOn || samples.length === 0) return;
        for (const s of samples) on(s);
        await fetch(`${address}?upTo=${upTo}`, { method: 'DELETE', headers });
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
