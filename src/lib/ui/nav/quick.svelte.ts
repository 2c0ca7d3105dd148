/** Whether the quick line is open, and with what in it. */
let open = $state(false);
let text = $state('');

export const quick = {
  get open() {
    return open;
  },
  get text() {
    return text;
  },
  set text(to: string) {
    text = to;
  }
};

/** Opens it. @param start what stands in it to begin with */
export function openQuick(start = ''): void {
  if (start) text = start;
  open = true;
}

export function closeQuick(): void {
  open = false;
}
