<script lang="ts">
  import { flushSync } from 'svelte';
  import { dndzone } from 'svelte-dnd-action';
  import { changeSettings } from '$lib/store/household.svelte';
  import OnShelf, { type Standing } from './OnShelf.svelte';

  /** The vessels in the order one walks past them: dragged, or moved by the arrow keys. */
  let { standing, ondone }: { standing: readonly Standing[]; ondone: () => void } = $props();
  // svelte-ignore state_referenced_locally
  let items = $state.raw<Standing[]>([...standing]);
  let said = $state('');

  async function keep(list: Standing[]) {
    items = list;
    const order = [...new Set(list.map((s) => s.vessel.id))];
    await changeSettings((s) => ({
      walk: [...order, ...s.walk.filter((id) => !order.includes(id))].slice(0, 500)
    }));
  }
  function keys(e: KeyboardEvent, from: number) {
    const by = e.key === 'ArrowLeft' ? -1 : e.key === 'ArrowRight' ? 1 : 0;
    const to = from + by;
    if (by === 0 || to < 0 || to >= items.length) return;
    e.preventDefault();
    const list = [...items];
    list.splice(to, 0, ...list.splice(from, 1));
    said = `${list[to]!.batch.state.name}: place ${to + 1} of ${list.length}.`;
    const { id } = list[to]!;
    void keep(list);
    // A moved button loses the focus: it has it again before the next key comes, however slow the store is.
    flushSync();
    document.querySelector<HTMLElement>(`[data-place="${id}"]`)?.focus();
  }
</script>

<div class="mx-auto flex max-w-[1400px] items-end px-2 sm:px-5">
  <ul
    class="flex min-w-0 flex-1 items-end gap-x-1 overflow-x-auto"
    aria-label="Order of the walk: the arrow keys move a vessel"
    use:dndzone={{ items, flipDurationMs: 120, dropTargetStyle: {}, type: 'shelf', autoAriaDisabled: true }}
    onconsider={(e) => (items = e.detail.items)}
    onfinalize={(e) => void keep(e.detail.items)}
  >
    {#each items as s, i (s.id)}
      <li class="shrink-0">
        <button
          type="button"
          data-place={s.id}
          class="flex w-[88px] cursor-grab flex-col items-center sm:w-[104px]"
          aria-label="{s.batch.state.name}, place {i + 1} of {items.length}"
          onkeydown={(e) => keys(e, i)}
        >
          <OnShelf {s} tag={{ text: `${i + 1}`, now: false }} />
        </button>
      </li>
    {/each}
  </ul>
  <button class="btn btn-primary mb-2 ml-3 shrink-0" onclick={ondone}>In order</button>
</div>
<p class="sr-only" aria-live="polite">{said}</p>
