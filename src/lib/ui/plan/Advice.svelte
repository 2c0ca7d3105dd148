<script lang="ts">
  import { planCautions } from '$core/cautions/rules';
  import { acidG, acidWord, usualTa } from '$core/must/adjust';
  import Cautions from '../caution/Cautions.svelte';
  import Pop from '../pop/Pop.svelte';
  import Tag from '../tag/Tag.svelte';
  import AcidAdvice from './AcidAdvice.svelte';
  import type { Bench } from './bench.svelte';
  import Clash from './Clash.svelte';

  let { bench, overL, isBusy }: { bench: Bench; overL: number; isBusy: string | null } = $props();

  const e = $derived(bench.estimate);
  const cautions = $derived(
    e ? planCautions(bench.solved.plan, e.ph ?? null, e.liquidVolumeL?.likely ?? 0, bench.acknowledged) : []
  );
  const heavy = $derived((bench.start?.sgAllGiven?.likely ?? 1) > 1.12);
  const usual = $derived(usualTa(bench.solved.plan.ingredients));
  const hasMust = $derived((e?.taGL?.likely ?? 0) > 0.05 && (e?.likely.all.hexoseKg ?? 0) > 0.01);
  const acid = $derived(
    hasMust ? acidWord({ taGL: e!.taGL!.likely, ph: e!.ph?.likely ?? 3.5 }, usual) : null
  );
</script>

<div class="grid grid-cols-1 gap-1.5" aria-label="Advice and cautions" role="group">
  {#if overL > 0}<Tag tone="danger" compact><b>It will not fit.</b> Choose a larger vessel, or make less.</Tag
    >{/if}
  {#if isBusy}<Tag tone="caution" compact>That vessel still holds {isBusy}.</Tag>{/if}
  <Clash {bench} />
  {#if heavy}<Tag tone="caution" compact
      >Over 1.120 yeast struggles: make more wine of it, or <button
        class="min-h-9 max-sm:min-h-11 font-semibold underline decoration-dashed underline-offset-4"
        onclick={() => bench.choose('sugar', 'steps')}>feed the sugar in steps</button
      >.</Tag
    >{/if}
  {#if acid}<Tag tone="good" compact
      >{acid}: {e!.taGL!.likely.toFixed(1)} g/L of acid.
      <Pop
        title="Bring the acid right"
        class="min-h-9 max-sm:min-h-11 font-semibold underline decoration-dashed underline-offset-4"
      >
        {#snippet trigger()}How much {acid === 'Sharp' ? 'to soften it' : 'acid'}{/snippet}
        {#snippet children(close: () => void)}<AcidAdvice
            must={e!.likely.all}
            ingredients={bench.solved.plan.ingredients}
            hadG={acidG(bench.solved.plan.ingredients)}
            onadd={(item) => {
              bench.put(item);
              close();
            }}
          />{/snippet}
      </Pop>
    </Tag>{/if}
  <Cautions list={cautions} onaway={(id) => bench.acknowledge(id)} />
</div>
