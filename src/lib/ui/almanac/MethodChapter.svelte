<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import { METHODS } from './find';
</script>

<p class="small mb-3">
  Where the schools differ, each with its reason. None is the only right one. Common practice.
</p>
<div class="columns-[22rem] gap-x-10">
  {#each METHODS as m (m.id)}
    <section
      id={m.id}
      class="mb-5 scroll-mt-4 break-inside-avoid-column target:bg-tint-green"
      aria-label={m.title}
    >
      <h2 class="number border-b-[1.5px] border-ink pb-0.5 text-[1.1875rem]">{m.title}</h2>
      <dl>
        {#each Object.entries(m.choices) as [id, c] (id)}
          <div class="dashline py-1.5">
            <dt class="font-semibold">{c.name}</dt>
            <dd class="text-[0.9375rem]">{own(c.note)}</dd>
          </div>
        {/each}
      </dl>
    </section>
  {/each}
</div>
