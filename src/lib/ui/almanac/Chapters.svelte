<script lang="ts">
  import { page } from '$app/state';
  import { CHAPTERS } from './find';

  const all = [['', 'Produce'], ...Object.entries(CHAPTERS)] as [string, string][];
</script>

<nav aria-label="Chapters" class="flex flex-wrap gap-x-5">
  {#each all as [id, name] (id)}
    {@const href = id ? `/almanac/${id}` : '/almanac'}
    {@const here = page.url.pathname === href}
    <a
      {href}
      aria-current={here ? 'page' : undefined}
      class="flex min-h-11 items-center border-b-2 {here
        ? 'border-ink font-semibold'
        : 'border-transparent text-quiet'}">{name}</a
    >
  {/each}
</nav>
