<script lang="ts">
  import { TROUBLES, type TroubleId } from '$core/steps/trouble/all';
  import type { TroubleDef } from '$core/steps/trouble/define';
  import { TROUBLE_WORDS } from '$core/steps/trouble/words';
  import { own } from '$lib/ui/words/own-units';

  /** What goes wrong, how one knows it, and what to try in turn. */
  const all = Object.entries(TROUBLES) as [TroubleId, TroubleDef][];
  /** Of how much wine a rung is told here, L. */
  const TOLD_L = 10;
</script>

<p class="small mb-2">
  Common practice. One rung at a time, each given its time; a wine of yours that shows one of these is told
  the next rung on its page, with its own doses.
</p>
<div class="grid gap-x-10 gap-y-6 lg:grid-cols-2">
  {#each all as [id, t] (id)}
    <section {id} class="inkline scroll-mt-4 pt-1 target:bg-tint-green">
      <h2 class="text-[1.25rem] first-letter:uppercase">{t.name}</h2>
      <p>{own(TROUBLE_WORDS[id].signs)}</p>
      {#if t.rungs.length > 0}
        <ol class="mt-1 grid gap-1">
          {#each t.rungs as rung, n (n)}
            <li class="grid grid-cols-[1.25rem_minmax(0,1fr)]">
              <span class="text-quiet">{n + 1}</span>
              <span
                ><b class="font-semibold">{rung.title}.</b>
                {own(typeof rung.how === 'string' ? rung.how : rung.how(TOLD_L))}{#if rung.afterH >= 24}<span
                    class="ml-1 text-quiet">After {Math.round(rung.afterH / 24)} d.</span
                  >{/if}</span
              >
            </li>
          {/each}
        </ol>
      {/if}
      <p class="mt-1"><b class="font-semibold">When to give up.</b> {own(TROUBLE_WORDS[id].giveUp)}</p>
    </section>
  {/each}
</div>
