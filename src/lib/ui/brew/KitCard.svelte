<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import { createDraft } from '../field/draft.svelte';

  /** What to sanitise, ticked off one by one; the ticks outlive the tab. */
  type Props = {
    how: string;
    list: readonly string[];
    /** under what the ticks are kept */ key: string;
    ondone: () => void;
  };
  let { how, list, key, ondone }: Props = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(key, { ticked: '' });
  const ticked = $derived(new Set(draft.fields.ticked.split('|').filter(Boolean)));
  const toggle = (item: string) => {
    const next = new Set(ticked);
    if (!next.delete(item)) next.add(item);
    draft.set('ticked', [...next].join('|'));
  };
  const left = $derived(list.filter((i) => !ticked.has(i)).length);
</script>

<p class="text-[1.25rem] leading-snug">{own(how)}</p>
<ul class="grid max-w-3xl gap-x-8 sm:grid-cols-2">
  {#each list as item (item)}
    <li class="dashline">
      <label class="flex min-h-14 cursor-pointer items-center gap-4 text-[1.25rem]">
        <input
          type="checkbox"
          class="checkbox size-8!"
          checked={ticked.has(item)}
          onchange={() => toggle(item)}
        />
        <span class={ticked.has(item) ? 'text-quiet line-through' : ''}>{item}</span>
      </label>
    </li>
  {/each}
</ul>
<p>
  <button class="btn btn-primary min-h-16! px-8! text-[1.375rem]!" onclick={ondone}
    >{left === 0 ? 'All clean' : `Go on, ${left} not ticked`}</button
  >
</p>
