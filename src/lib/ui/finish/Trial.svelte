<script lang="ts">
  import Text from '../field/Text.svelte';
  import { glassesOf, type Trial } from '$core/finish/trial';
  import { gramsText, volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';

  /** A bench trial: glasses of one size, each a step sweeter; taste, choose, and the jar follows. Blind if wished. */
  type Fields = 'glasses' | 'glass' | 'step' | 'order' | 'liked' | 'poured';
  type Props = {
    draft: { fields: Record<Fields, string>; set: (key: Fields, text: string) => void };
    trial: Trial;
    name: string;
    /** what it is dropped from, where it can be */
    drops?: { gML: number; what: string; how: string } | null;
    /** what a glass has more of, in words: sweeter, sharper */
    more?: string;
    /** what is given for each litre: g of a powder, mL of a wine */
    per?: 'g' | 'mL';
  };
  let { draft, trial, name, drops = null, more = 'sweeter', per = 'g' }: Props = $props();
  const perL = (x: number) => `${x.toFixed(trial.stepGL < 5 ? 2 : 0).replace(/\.?0+$/, '') || '0'} ${per}/L`;
  const amount = (x: number) => (per === 'g' ? gramsText(x) : volumeText(x / 1000, 'mL'));

  const glasses = $derived(glassesOf(trial));
  /** Which glass bears which letter: as they stand, or shuffled for who tastes blind. */
  const order = $derived(
    draft.fields.order.length === glasses.length
      ? [...draft.fields.order].map(Number)
      : glasses.map((_, i) => i)
  );
  const isBlind = $derived(draft.fields.order.length === glasses.length);
  const liked = $derived(draft.fields.liked === '' ? null : Number(draft.fields.liked));
  const inUnits = (litres: number) => volumeText(litres, litres < 0.5 ? 'mL' : household.settings.volume);

  function shuffle(on: boolean) {
    const all = glasses.map((_, i) => i);
    if (on)
      for (let i = all.length - 1; i > 0; i--) {
        const j = crypto.getRandomValues(new Uint32Array(1))[0]! % (i + 1);
        [all[i], all[j]] = [all[j]!, all[i]!];
      }
    draft.set('order', on ? all.join('') : '');
    draft.set('liked', '');
  }
</script>

<fieldset class="grid gap-3 border-[1.5px] border-rule p-3">
  <legend class="head px-1">In glasses first</legend>
  <div class="grid grid-cols-3 gap-3">
    <Text {draft} at="glasses" label="Glasses" mode="numeric" />
    <Text {draft} at="glass" label="Each, mL" mode="numeric" />
    <Text {draft} at="step" label="Step, {per}/L" mode="decimal" placeholder={String(trial.stepGL)} />
  </div>
  <label class="flex min-h-11 items-center gap-3"
    ><input
      type="checkbox"
      class="checkbox"
      checked={isBlind}
      onchange={(e) => shuffle(e.currentTarget.checked)}
    />
    Blind: somebody else pours</label
  >
  {#snippet pours()}
    <table class="w-full text-[0.9375rem]">
      <tbody>
        {#each order as g, i (i)}
          <tr class="border-t border-rule">
            <th class="py-1 pr-3 text-left">{glasses[i]!.label}</th>
            <td class="number py-1"
              >{glasses[g]!.grams < 1e-9
                ? 'nothing'
                : `${amount(glasses[g]!.grams)}${drops ? `, or ${(glasses[g]!.grams / drops.gML).toFixed(1)} mL of ${drops.what}` : ''}`}</td
            >
            <td class="py-1 text-right text-quiet">{perL(glasses[g]!.addGL)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="small mt-1">
      Of {name.toLowerCase()}, in {inUnits(trial.glassL)} each.{drops ? ` ${drops.how}` : ''}
    </p>
  {/snippet}
  {#if isBlind}
    <details>
      <summary class="flex min-h-11 cursor-pointer items-center font-semibold">For who pours</summary
      >{@render pours()}
    </details>
  {:else}{@render pours()}{/if}
  <div class="flex flex-wrap items-center gap-2" role="group" aria-label="The glass you like">
    <span class="font-semibold">The one you like</span>
    {#each order as g, i (i)}
      <button
        type="button"
        class="btn min-w-11 {liked === g ? 'btn-primary' : 'btn-line'}"
        aria-pressed={liked === g}
        onclick={() => draft.set('liked', String(g))}>{glasses[i]!.label}</button
      >
    {/each}
  </div>
  {#if liked !== null && glasses[liked]}
    <p data-testid="liked">
      {isBlind ? `${glasses[order.indexOf(liked)]!.label} was ` : ''}<b class="number"
        >{perL(glasses[liked]!.addGL)}</b
      >
      {more}.
    </p>
    <label class="flex min-h-11 items-center gap-3"
      ><input
        type="checkbox"
        class="checkbox"
        checked={draft.fields.poured === 'yes'}
        onchange={(e) => draft.set('poured', e.currentTarget.checked ? 'yes' : '')}
      /> What is left in the glasses goes back into the jar</label
    >
  {/if}
</fieldset>
