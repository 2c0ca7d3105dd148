<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import type { BrewDone } from '$core/steps/brew-done';
  import { ENZYME_C, pouredC, YEAST_C, type BrewCard } from '$core/steps/brew';
  import { coolingTauH, hoursToCool, tauFromReadings, tempAfter } from '$core/steps/cooling';
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

  const ROOM_C = 18;
  const HOUR = 3_600_000;
  const unit = $derived(household.settings.temp);
  const temps = $derived(done.tempsC);
  const litres = $derived(evaluate(plan).likely.liquidVolumeL);
  /** By two readings where they are a cooling, else by the volume. */
  const tau = $derived.by(() => {
    const [a, b] = [temps.at(-2), temps.at(-1)];
    if (!a || !b) return coolingTauH(litres);
    try {
      return tauFromReadings(a.tempC, b.tempC, ROOM_C, (b.at - a.at) / HOUR);
    } catch {
      return coolingTauH(litres);
    }
  });
  const last = $derived(temps.at(-1) ?? { at: done.startedAt, tempC: pouredC(plan, ROOM_C) });
  const tempC = $derived(tempAfter(last.tempC, ROOM_C, tau, (now - last.at) / HOUR));
  const to = (targetC: number) => hoursToCool(tempC, targetC, ROOM_C, tau) * HOUR;
  let typed = $state('');

  const write = () =>
    tell('Written down.', () => {
      const t = parseTemperature(typed, unit);
      typed = '';
      return observe(batch.id, { tempC: t });
    });
</script>

<p class="number text-[4rem] leading-none" data-testid="brew-temp">about {temperatureText(tempC, unit)}</p>
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
