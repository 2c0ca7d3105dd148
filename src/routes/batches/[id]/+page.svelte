<script lang="ts">
  import { page } from '$app/state';
  import { mustColour } from '$core/must/colour';
  import { volumeText } from '$core/units/format';
  import { doStep } from '$lib/store/actions';
  import { batchById, household } from '$lib/store/household.svelte';
  import Actions from '$lib/ui/batch/Actions.svelte';
  import BatchSentence from '$lib/ui/batch/BatchSentence.svelte';
  import { formOf, isFormId, type FormId } from '$lib/ui/batch/form-of';
  import History from '$lib/ui/batch/History.svelte';
  import NextTags from '$lib/ui/batch/NextTags.svelte';
  import GravityChart from '$lib/ui/chart/GravityChart.svelte';
  import { tell } from '$lib/ui/nav/said.svelte';
  import Ribbon from '$lib/ui/ribbon/Ribbon.svelte';
  import Tag from '$lib/ui/tag/Tag.svelte';
  import { whyAbvDiffers } from '$core/ledger/standing';

  const batch = $derived(batchById(page.params.id ?? ''));
  const asked = page.url.hash.slice(1);
  let form = $state<FormId | null>(isFormId(asked) ? asked : null);

  const sugar = $derived(batch?.standing.sugarKg);
  const colour = $derived(batch ? mustColour(batch.state.plan.ingredients) : null);
  const why = $derived(batch ? whyAbvDiffers(batch.state, batch.standing) : null);

  async function act(step: Parameters<typeof formOf>[0]) {
    const wanted = formOf(step);
    if (wanted) {
      form = wanted;
      document.getElementById('actions')?.scrollIntoView({ block: 'nearest' });
    } else if (batch) await tell('Done.', () => doStep(batch.state, step));
  }
</script>

<svelte:head><title>{batch?.state.name ?? 'Batch'} · Vecino</title></svelte:head>

{#if batch && sugar && colour}
  <BatchSentence {batch} />
  <div class="mt-2 grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,25rem)]">
    <div class="grid content-start gap-4 max-lg:order-2">
      <div>
        <p class="head mb-1">Gravity</p>
        <GravityChart state={batch.state} standing={batch.standing} />
      </div>
      <Ribbon
        title="Where the sugar went"
        total="{(sugar.turned + sugar.dissolved + sugar.held).toFixed(2)} kg in all"
        pieces={[
          {
            label: `alcohol: ${batch.standing.abv.likely.toFixed(1)} %`,
            kg: sugar.turned,
            colour: colour.fruit,
            light: true
          },
          {
            label: `in the ${batch.standing.stage === 'must' ? 'must' : 'wine'}: ${batch.standing.residualGL.toFixed(0)} g/L`,
            kg: sugar.dissolved,
            colour: '#e3cb93'
          },
          { label: 'still in the fruit', kg: sugar.held, colour: colour.fruit, hatched: true }
        ].filter((p) => p.kg > 0.002)}
      />
      <History {batch} />
    </div>
    <div class="grid content-start gap-3 max-lg:order-1">
      <Actions {batch} bind:form />
      <NextTags {batch} onact={act} />
      {#if why}<Tag tone="good" compact>{why}</Tag>{/if}
      {#if batch.standing.stage !== 'bottled' && batch.standing.sg && batch.standing.sg.sg <= 1.002 && batch.standing.residualGL > 9}
        <Tag tone="caution" compact
          >{batch.standing.sg.sg.toFixed(3)} is not dry yet: about {batch.standing.residualGL.toFixed(0)} g/L of
          sugar is left, and the yeast is alive.</Tag
        >
      {/if}
      {#if batch.state.startSg && !batch.state.startSg.measured && batch.standing.stage !== 'bottled'}
        <Tag tone="caution" compact
          >Never read. The strength is what {volumeText(batch.standing.volumeL, household.settings.volume)} of this
          must should hold, not what it holds.</Tag
        >
      {/if}
    </div>
  </div>
{:else}
  <h1 class="sentence pt-4">There is no such batch here.</h1>
  <p>It may be on another device. <a class="link" href="/batches">All batches</a></p>
{/if}
