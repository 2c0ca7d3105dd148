<script lang="ts">
  import { BENCH } from '$lib/ui/bench/sums';
</script>

<svelte:head><title>Bench · Vecino</title></svelte:head>

<h1 class="sentence pt-2 pb-2 font-bold">The sums, one at a time</h1>
<div class="grid gap-x-10 gap-y-6 lg:grid-cols-2">
  {#each BENCH as group (group.title)}
    <section aria-label={group.title}>
      <h2 class="head mb-1 font-sans">{group.title}</h2>
      <ul class="inkline">
        {#each group.sums as s (s.id)}
          <li class="dashline">
            <a
              href="/bench/{s.id}"
              class="grid min-h-11 grid-cols-[minmax(0,15.5rem)_minmax(0,1fr)] items-baseline gap-x-4 py-2 max-sm:block"
            >
              <span
                class="number text-[1.125rem] underline decoration-greengage decoration-2 underline-offset-[6px]"
                >{s.title}</span
              >
              <span class="text-[0.9375rem] text-quiet max-sm:block max-sm:pt-1">{s.ask}</span>
            </a>
          </li>
        {/each}
      </ul>
    </section>
  {/each}
</div>
