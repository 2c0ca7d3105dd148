<script lang="ts">
  import { PRESSING, WILD_YEAST } from '$core/method/steps';
  import Choices from '../pop/Choices.svelte';
  import Word from '../pop/Word.svelte';
  import type { Bench } from './bench.svelte';

  /** The choices of school, said in a sentence. */
  let { bench }: { bench: Bench } = $props();

  const options = (table: Record<string, { name: string; why: string }>) =>
    Object.entries(table).map(([id, o]) => ({ id, name: o.name, note: o.why }));
</script>

<p class="mt-2 text-[1.0625rem] leading-8">
  Wild yeast kept down with
  <Word title="Against wild yeast" text={WILD_YEAST[bench.wildYeast].name}>
    {#snippet children(close: () => void)}
      <Choices
        title="Against wild yeast"
        options={options(WILD_YEAST)}
        value={bench.wildYeast}
        onchoose={(id) => {
          bench.wildYeast = id as keyof typeof WILD_YEAST;
          close();
        }}
      />
    {/snippet}
  </Word>, fruit
  <Word title="Fruit out" text={PRESSING[bench.press].name}>
    {#snippet children(close: () => void)}
      <Choices
        title="Fruit out"
        options={options(PRESSING)}
        value={bench.press}
        onchoose={(id) => {
          bench.press = id as keyof typeof PRESSING;
          close();
        }}
      />
    {/snippet}
  </Word>.
</p>
