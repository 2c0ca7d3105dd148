<script lang="ts">
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import WhenField from '../field/WhenField.svelte';
  import VesselPick from '../vessel/VesselPick.svelte';
  import { sweetenVessel } from '$core/commands/finish';
  import { drawSample } from '$core/commands/move';
  import { afterGlasses, glassesOf } from '$core/finish/trial';
  import { fillL } from '$core/ledger/fill';
  import { judgeDose, type DoseId, DOSES } from '$core/tables/doses';
  import { InputError } from '$core/units/input-error';
  import { gramsText, volumeText } from '$core/units/format';
  import { parseNumber } from '$core/units/number';
  import { explain } from '../words/own-units';
  import { household, runningBatches, type Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import { blendDeed, giversTo } from './blending';
  import Trial from './Trial.svelte';
  import { acidAfter, itemOf, START, trialOf, triedOf } from './trying';
  import { DROPS } from './words';

  /** Acid, tannin, finings or another wine, tried in glasses; the glass one likes scales to the jar. */
  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`trial:${batch.id}`, START);
  const form = createWriteDown(draft, () => ondone());
  const f = $derived(draft.fields);
  const fill = $derived(batch.state.fills.find((x) => x.vesselId === f.vessel) ?? batch.state.fills[0]);
  const givers = $derived(giversTo(batch.id, runningBatches()));
  const all = $derived(triedOf(givers));
  const tried = $derived(all.find((t) => t.id === f.what) ?? all[0]!);
  const worked = $derived.by(() => {
    try {
      const trial = trialOf(f, tried);
      const liked = f.liked === '' ? undefined : glassesOf(trial)[Number(f.liked)];
      const after = liked && fill ? afterGlasses(fillL(fill), trial, liked.addGL, f.poured === 'yes') : null;
      return { trial, after };
    } catch (e) {
      return { error: explain(e) };
    }
  });
  const after = $derived('after' in worked ? worked.after : null);
  const acid = $derived(after && fill ? acidAfter(batch, fill, tried.id, after.total) : null);
  const isOver = $derived(
    !!after &&
      !!fill &&
      tried.id !== 'acid-blend' &&
      tried.id in DOSES &&
      ['high', 'absurd'].includes(judgeDose(tried.id as DoseId, after.total, fillL(fill)))
  );
  const amount = (x: number) =>
    tried.per === 'g' ? gramsText(x) : volumeText(x / 1000, household.settings.volume);

  const save = form.submit(() => {
    if (!fill || !after) throw new InputError('No glass is chosen.', 'Taste, and choose one.');
    const n = f.weighed.trim() ? parseNumber(f.weighed.replace(/\s*(g|ml)$/i, '')) : after.toGive;
    if (n === null || n < 0) throw new InputError(`“${f.weighed}” is no amount.`, 'Give a number.');
    const total = n + after.inGlasses;
    if (total <= 0) throw new InputError('Nothing goes in.', 'The plain glass was best: leave it so.');
    const glasses = { volumeL: after.glassesL, returned: f.poured === 'yes' };
    const giver = givers.find((g) => g.key === tried.id);
    const deed = giver
      ? [
          ...drawSample(batch.id, fill.vesselId, glasses.volumeL, glasses.returned),
          ...blendDeed(batch.state, fill, fill.vesselId, [{ giver, litres: total / 1000 }])
        ]
      : sweetenVessel(batch.id, fill.vesselId, [itemOf(tried.id, total)], glasses);
    return [`${batch.state.name}: ${amount(n)} of ${tried.name.toLowerCase()} in.`, deed];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Try it in glasses">
  <VesselPick {batch} value={fill?.vesselId ?? ''} onset={(v) => draft.set('vessel', v)} label="Which" />
  <Pick {draft} at="what" label="What is tried" value={tried.id} options={all.map((t) => [t.id, t.name])} />
  {#if 'trial' in worked && worked.trial}
    <Trial
      {draft}
      trial={worked.trial}
      name={tried.name}
      per={tried.per}
      more={tried.more}
      drops={tried.per === 'g' ? DROPS : null}
    />
  {:else if 'error' in worked}<p class="text-rosehip" role="alert">{worked.error}</p>{/if}
  {#if after}
    <p class="number text-[2.25rem] leading-tight" data-testid="trial-dose">
      {amount(after.toGive)} <span class="text-[1.125rem]">of {tried.name.toLowerCase()}</span>
    </p>
    {#if after.inGlasses > 0}<p class="small">What stands in the glasses is counted: it goes back.</p>{/if}
    {#if acid}<p data-testid="trial-then">
        Then about <b class="number">{acid.taGL.toFixed(1)} g/L</b> acid, pH
        <b class="number">{acid.ph.toFixed(2)}</b>.
      </p>{/if}
    {#if isOver}<p class="border-l-4 border-straw bg-tint-straw px-3 py-2">
        More than is usual. Half of it first, and taste again in a week.
      </p>{/if}
    <Text
      {draft}
      at="weighed"
      label={tried.per === 'g' ? 'Weighed otherwise, g' : 'Poured otherwise, mL'}
      mode="decimal"
    />
  {/if}
  <WhenField value={f.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary" disabled={!after}>{form.asks ? 'It is so: it is in' : 'It is in'}</button>
</form>
