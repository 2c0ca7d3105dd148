<script lang="ts">
  import { goto } from '$app/navigation';
  import { findPoisonous, unsafePart } from '$core/tables/plants';
  import { allProduce } from '$lib/store/household.svelte';
  import { allEntries, findEntries } from './find';

  /** One line that finds anything: a fruit, a sum, a dose, a caution. */
  let text = $state('');
  let active = $state(0);
  const entries = $derived(allEntries(allProduce()));
  const found = $derived(findEntries(text, entries));
  const poison = $derived(text.trim().length > 2 ? (findPoisonous(text) ?? unsafePart(text)) : null);

  function key(e: KeyboardEvent) {
    if (e.key === 'ArrowDown') active = Math.min(active + 1, found.length - 1);
    else if (e.key === 'ArrowUp') active = Math.max(active - 1, 0);
    else if (e.key === 'Escape') text = '';
    else if (e.key === 'Enter' && found[active]) void goto(found[active]!.href);
    else return;
    e.preventDefault();
  }
</script>

<div class="relative max-w-xl" role="search">
  <input
    class="field number h-12 text-[1.125rem]!"
    type="search"
    placeholder="Quince, too sharp, Campden…"
    aria-label="Look something up"
    autocomplete="off"
    bind:value={text}
    oninput={() => (active = 0)}
    onkeydown={key}
  />
  {#if text.trim().length > 1}
    <ul class="absolute inset-x-0 top-full z-30 border-[1.5px] border-ink bg-slip" aria-label="Found">
      {#if poison}<li role="alert" class="bg-tint-rose px-3 py-2 text-ink">
          <b>Never in a wine:</b>
          {poison.why} If someone has taken some, ask a poison-control centre or a doctor at once.
        </li>{/if}
      {#each found as f, i (f.href)}
        <li>
          <a
            href={f.href}
            class="flex min-h-11 items-baseline gap-3 px-3 py-2 {i === active
              ? 'bg-primary text-primary-content'
              : ''}"
            onpointerenter={() => (active = i)}
          >
            <span class="min-w-0 truncate font-semibold">{f.title}</span><span
              class="ml-auto shrink-0 text-[0.875rem] {i === active ? '' : 'text-quiet'}">{f.chapter}</span
            >
          </a>
        </li>
      {:else}
        <li class="px-3 py-3">
          Nothing by that name. A wild plant that is not here: be sure of it with someone who knows, and if in
          doubt leave it out.
        </li>
      {/each}
    </ul>
  {/if}
</div>
