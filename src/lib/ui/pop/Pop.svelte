<script lang="ts">
  import { tick, type Snippet } from 'svelte';

  type Props = {
    /** read by screen readers as the panel's name */
    title: string;
    trigger: Snippet;
    children: Snippet<[() => void]>;
    /** classes of the button */
    class?: string;
    label?: string;
    describe?: string;
  };
  let { title, trigger, children, class: classes = '', label, describe }: Props = $props();

  const id = $props.id();
  let button = $state<HTMLButtonElement>();
  let panel = $state<HTMLDivElement>();
  let open = $state(false);
  let sizes: ResizeObserver | undefined;
  $effect(() => () => sizes?.disconnect());

  /** Under the button, kept inside the window. */
  function place() {
    if (!button || !panel) return;
    const b = button.getBoundingClientRect();
    const gap = 8;
    const width = panel.offsetWidth;
    const left = Math.max(gap, Math.min(b.left, window.innerWidth - width - gap));
    const below = b.bottom + 4;
    const top =
      below + panel.offsetHeight > window.innerHeight - gap
        ? Math.max(gap, b.top - panel.offsetHeight - 4)
        : below;
    panel.style.left = `${left}px`;
    panel.style.top = `${top}px`;
  }

  async function toggled(e: ToggleEvent) {
    open = e.newState === 'open';
    if (!open) return sizes?.disconnect();
    await tick();
    place();
    // What is chosen may make it longer.
    sizes ??= new ResizeObserver(place);
    if (panel) sizes.observe(panel);
    panel?.querySelector<HTMLElement>('input, select, textarea')?.focus();
  }

  const close = () => panel?.hidePopover();
</script>

<svelte:window onresize={place} />

<!-- The panel comes first so that no space is left after the word. -->
<div
  bind:this={panel}
  id="{id}-panel"
  popover="auto"
  role="dialog"
  aria-label={title}
  ontoggle={toggled}
  class="fixed m-0 max-h-[calc(100dvh-1rem)] w-max max-w-[min(22rem,calc(100vw-1rem))] overflow-y-auto border-[1.5px] border-ink bg-slip p-4 font-sans text-base leading-snug text-ink"
>
  {#if open}{@render children(close)}{/if}
</div>
<button
  bind:this={button}
  type="button"
  class={classes}
  popovertarget="{id}-panel"
  aria-expanded={open}
  aria-haspopup="dialog"
  aria-label={label}
  title={describe}>{@render trigger()}</button
>
