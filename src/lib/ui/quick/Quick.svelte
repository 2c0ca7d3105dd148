<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { openQuick, quick } from '../nav/quick.svelte';

  /** `/` opens the quick line wherever you are not typing; ctrl or ⌘ and Z open it with *undo*, which says what that is. */
  function keys(e: KeyboardEvent) {
    const on = e.target as HTMLElement | null;
    const isTyping = on?.closest('input, textarea, select, [contenteditable="true"]');
    if (isTyping || quick.open || e.altKey) return;
    const isUndo = e.key.toLowerCase() === 'z' && (e.ctrlKey || e.metaKey) && !e.shiftKey;
    if (!isUndo && (e.key !== '/' || e.ctrlKey || e.metaKey)) return;
    e.preventDefault();
    openQuick(isUndo ? 'undo' : '');
  }

  /** A shortcut of the home screen opens it empty; a text that was shared to the app stands in it. */
  onMount(() => {
    const asked = page.url.searchParams;
    const shared = ['title', 'text', 'url'].flatMap((k) => asked.get(k) ?? []).join(' ');
    const said = asked.get('say') ?? (shared || null);
    if (said === null) return;
    openQuick(said.slice(0, 500));
    void goto(page.url.pathname, { replaceState: true });
  });
</script>

<svelte:window onkeydown={keys} />
{#if quick.open}{#await import('./QuickLine.svelte') then { default: QuickLine }}<QuickLine />{/await}{/if}
