<script lang="ts">
  import { WILD_YEAST } from '$core/method/steps';
  import Word from '../pop/Word.svelte';
  import type { Bench } from './bench.svelte';

  /** The choices of school, said in a sentence. */
  let { bench }: { bench: Bench } = $props();

  const PRESS = {
    drip: { name: 'dripped', why: 'Lift the bag and let it drip: clear wine, a little less of it.' },
    squeeze: { name: 'squeezed', why: 'More wine, more sediment, longer to clear.' },
    press: { name: 'pressed', why: 'Most wine and most tannin.' }
  } as const;
</script>

<p class="mt-2 text-[1.0625rem] leading-8">
  Wild yeast kept down with
  <Word title="Against wild yeast" text={WILD_YEAST[bench.wildYeast].name}>
    {#snippet children(close: () => void)}
      <div class="grid gap-1" role="group" aria-label="Against wild yeast">
        {#each Object.entries(WILD_YEAST) as [id, w] (id)}
          <button
            class="min-h-11 border-l-4 px-3 py-1 text-left {bench.wildYeast === id
              ? 'border-ink'
              : 'border-transparent'}"
            aria-pressed={bench.wildYeast === id}
            onclick={() => {
              bench.wildYeast = id as keyof typeof WILD_YEAST;
              close();
            }}
          >
            <span class="font-semibold">{w.name}</span><span class="small block">{w.why}</span>
          </button>
        {/each}
      </div>
    {/snippet}
  </Word>, fruit
  <Word title="Fruit out" text={PRESS[bench.press].name}>
    {#snippet children(close: () => void)}
      <div class="grid gap-1" role="group" aria-label="Fruit out">
        {#each Object.entries(PRESS) as [id, p] (id)}
          <button
            class="min-h-11 border-l-4 px-3 py-1 text-left {bench.press === id
              ? 'border-ink'
              : 'border-transparent'}"
            aria-pressed={bench.press === id}
            onclick={() => {
              bench.press = id as keyof typeof PRESS;
              close();
            }}
          >
            <span class="font-semibold">{p.name}</span><span class="small block">{p.why}</span>
          </button>
        {/each}
      </div>
    {/snippet}
  </Word>.
</p>
