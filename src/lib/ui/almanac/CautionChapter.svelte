<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import type { Level, Rule } from '$core/cautions/scene';
  import { RULES } from '$core/cautions/rules';

  const WORD: Record<Level, string> = {
    refuse: 'Refused',
    stop: 'Stop',
    warn: 'Warning',
    note: 'Note'
  };
  const TINT: Record<Level, string> = {
    refuse: 'bg-tint-rose',
    stop: 'bg-tint-rose',
    warn: 'bg-tint-straw',
    note: ''
  };
  const all = Object.entries(RULES);
  const groups = [...new Set(all.map(([, r]) => r.group))].map((group) => ({
    group,
    rules: all.filter(([, r]) => r.group === group) as [string, Rule][]
  }));
</script>

<p class="mb-3 max-w-[70ch] text-[0.9375rem]">
  Refused cannot be done here. Stop wants a recorded “I understand”. None of this takes the place of local
  law, a poison-control centre, a doctor or a licensed trade.
</p>
<div class="columns-[22rem] gap-x-10">
  {#each groups as g (g.group)}
    <section class="mb-5" aria-label={g.group}>
      <h2 class="number border-b-[1.5px] border-ink pb-0.5 text-[1.1875rem] first-letter:uppercase">
        {g.group}
      </h2>
      {#each g.rules as [id, r] (id)}
        <article
          {id}
          class="dashline scroll-mt-4 break-inside-avoid py-2 target:outline-2 target:outline-greengage"
        >
          <h3 class="flex items-baseline justify-between gap-3 font-sans text-base">
            <span>{r.title}</span><span class="shrink-0 px-1.5 text-[0.8125rem] font-semibold {TINT[r.level]}"
              >{WORD[r.level]}</span
            >
          </h3>
          <p class="text-[0.9375rem]">{own(r.text)}</p>
          {#if r.ask}<p class="small">{r.ask}</p>{/if}
        </article>
      {/each}
    </section>
  {/each}
</div>
