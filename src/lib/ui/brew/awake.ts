/** Keeps the screen on while a page is open, where the browser allows it; returns what lets it sleep again. */
export function keepAwake(): () => void {
  let lock: WakeLockSentinel | null = null;
  let isOver = false;
  const ask = async () => {
    if (document.visibilityState !== 'visible') return;
    try {
      const got = await navigator.wakeLock?.request('screen');
      if (isOver) void got?.release();
      else lock = got ?? null;
    } catch {
      // The browser does not allow it, as with a low battery: the screen sleeps as it always does.
    }
  };
  // A hidden page loses its lock, and asks again when it comes back.
  const shown = () => void ask();
  document.addEventListener('visibilitychange', shown);
  void ask();
  return () => {
    isOver = true;
    document.removeEventListener('visibilitychange', shown);
    void lock?.release();
  };
}
