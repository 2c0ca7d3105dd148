<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import type { BrewDone } from '$core/steps/brew-done';
  import { pouredC, type BrewCard } from '$core/steps/brew';
  import { coolingOf, ENZYME_C, YEAST_C } from '$core/steps/cooling';
  import { USUAL_ROOM_C } from '$core/units/settings';
  import { evaluate } from '$core/must/evaluate';
  import { usesEnzyme } from '$core/plan/chosen';
  import type { Plan } from '$core/plan/plan';
  import { temperatureText } from '$core/units/format';
  import { parseTemperature } from '$core/units/parse';
  import { tick } from '$core/commands/tick';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { observe } from '$core/commands/observe';
  import { tell } from '../nav/said.svelte';
  import { leftText } from '../words/spans';

  /** How long a hot must takes to cool: by its volume, then by what the thermometer says. */
  type Props = { card: BrewCard; batch: OpenBatch; plan: Plan; done: BrewDone; now: number };
  let { card, batch, plan, done, now }: Props = $props();

  const unit = $derived(household.settings.temp);
  const litres = $derived(evaluate(plan).likely.liquidVolumeL);
  const roomC = $derived(plan.roomC ?? USUAL_ROOM_C);
  /** From what was felt; before that from what was poured over it. */
  const cools = $derived(
    coolingOf(
      batch.state.felt.length > 0 ? batch.state.felt : [{ at: done.startedAt, tempC: pouredC(plan, roomC) }],
      roomC,
      litres
    )
  );
  const to = (targetC: number) => Math.max(0, cools.under(targetC) - now);
  let typed = $state('');

  const write = () =>
    tell('Written down.', () => {
      const t = parseTemperature(typed, unit);
      typed = '';
      return observe(batch.id, { tempC: t });
    });
</script>

<p class="number text-[4rem] leading-none" data-testid="brew-temp">
  about {temperatureText(cools.tempC(now), unit)}
</p>
<p class="text-[1.25rem] leading-snug">
  {#if usesEnzyme(plan)}Cool enough for enzyme, {temperatureText(ENZYME_C, unit)}, in about
    <b>{leftText(to(ENZYME_C))}</b>;
  {/if}for yeast, {temperatureText(YEAST_C, unit)}, in about <b>{leftText(to(YEAST_C))}</b>. {own(card.how)}
</p>
<form
  class="flex flex-wrap items-end gap-3"
  onsubmit={(e) => {
    e.preventDefault();
    void write();
  }}
>
  <label class="grid gap-1 text-[1.0625rem] font-semibold"
    >It is now, °{unit}
    <input
      class="field number h-16! w-40 text-[1.5rem]!"
      inputmode="decimal"
      autocomplete="off"
      bind:value={typed}
    />
  </label>
  <button class="btn btn-line min-h-16! px-6! text-[1.25rem]!">Write it down</button>
  <button
    type="button"
    class="btn btn-primary min-h-16! px-8! text-[1.375rem]!"
    onclick={() => tell('Cool enough.', () => tick(batch.id, card.id))}>It is cool enough</button
  >
</form>
