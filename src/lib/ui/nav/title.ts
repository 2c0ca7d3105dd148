/**
 * Keeps the number of jobs before the title of the tab, whatever page sets it.
 * @returns what changes the number, and what stops it
 */
export function countInTitle(): { set: (n: number) => void; stop: () => void } {
  let count = 0;
  const BEFORE = /^\(\d+\) /;
  const put = () => {
    const bare = document.title.replace(BEFORE, '');
    const wanted = count > 0 ? `(${count}) ${bare}` : bare;
    if (document.title !== wanted) document.title = wanted;
  };
  const watch = new MutationObserver(put);
  watch.observe(document.head, { subtree: true, childList: true, characterData: true });
  return {
    set(n) {
      count = n;
      put();
    },
    stop: () => watch.disconnect()
  };
}
