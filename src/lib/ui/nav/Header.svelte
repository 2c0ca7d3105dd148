<script lang="ts">
  import { page } from '$app/state';
  import QuickButton from './QuickButton.svelte';
  import { isHere, PLACES } from './places';
</script>

<header class="no-print border-b-[1.5px] border-ink">
  <div class="mx-auto flex h-[52px] max-w-[1400px] items-center gap-6 px-4 sm:px-6">
    <a
      href="/"
      class="number text-[1.5rem] font-bold tracking-tight no-underline"
      aria-label="Vecino, to Today">Vecino</a
    >
    <nav aria-label="Places" class="hidden gap-1 md:flex">
      {#each PLACES as p (p.href)}
        {@const here = isHere(page.url.pathname, p.href)}
        <a
          href={p.href}
          aria-current={here ? 'page' : undefined}
          class="flex min-h-11 items-center border-b-[3px] px-3 {here
            ? 'border-greengage font-semibold'
            : 'border-transparent text-quiet'}">{p.label}</a
        >
      {/each}
    </nav>
    <div class="ml-auto hidden lg:block"><QuickButton wide /></div>
  </div>
</header>
