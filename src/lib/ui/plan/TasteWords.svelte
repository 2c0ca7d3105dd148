<script lang="ts">
  import { household } from '$lib/store/household.svelte';
  import { own } from '$lib/ui/words/own-units';
  import { massText } from '$core/units/format';
  import { SCHOOLS } from '$core/tables/schools';
  import { sweetnessWord } from '$core/units/format';
  import { sweetenKg } from '$core/solve/solve';
  import Choices from '../pop/Choices.svelte';
  import Word from '../pop/Word.svelte';
  import GoalField from './GoalField.svelte';
  import type { Bench } from './bench.svelte';

  /** How sweet it ends, and how sharp it is made. */
  let { bench }: { bench: Bench } = $props();

  /** Sugar a litre as people say it. Common practice. */
  const SWEET = [
    { id: '0', note: 'Nothing left to ferment.' },
    { id: '12', note: '12 g/L: brings the fruit back.' },
    { id: '25', note: '25 g/L.' },
    { id: '50', note: '50 g/L.' },
    { id: '80', note: '80 g/L: for after the meal.' }
  ].map((s) => ({ ...s, name: sweetnessWord(Number(s.id)) }));
  const sweetGL = $derived(bench.choice('finish') === 'dry' ? 0 : (bench.target.sweetGL ?? 0));
  const sweetWord = $derived(
    sweetGL <= 0
      ? 'dry'
      : SWEET.some((s) => s.id === String(sweetGL))
        ? sweetnessWord(sweetGL)
        : `with ${sweetGL} g/L of sugar`
  );
  const kg = $derived(sweetGL > 0 ? sweetenKg(bench.solved.plan) : 0);
  const finishes = Object.entries(SCHOOLS.finish.options)
    .filter(([id]) => id !== 'dry')
    .map(([id, o]) => ({ id, name: o.name, note: own(o.why) }));

  const ta = $derived(bench.target.taGL ?? null);
  const ph = $derived(bench.target.phMax ?? null);
  const acidWord = $derived(
    ta !== null ? `${ta} g/L of acid` : ph !== null ? `pH ${ph} or under` : 'as sharp as it comes'
  );
  const sharpeners = Object.entries(SCHOOLS.sharpen.options).map(([id, o]) => ({
    id,
    name: o.name,
    note: own(o.why)
  }));
</script>

<Word title="How sweet it ends" text={sweetWord} held={sweetGL > 0}>
  {#snippet children(close: () => void)}
    <Choices
      title="How sweet"
      options={SWEET}
      value={String(sweetGL)}
      onchoose={(id) => {
        if (id === '0') bench.choose('finish', 'dry');
        else {
          if (bench.choice('finish') === 'dry') bench.choose('finish', 'stabilise');
          bench.setGoals({ sweetGL: Number(id) });
        }
        if (id === '0') close();
      }}
    />
    {#if sweetGL > 0}
      <p class="head mt-2">How</p>
      <Choices
        title="How it is sweetened"
        options={finishes}
        value={bench.choice('finish')}
        onchoose={(id) => bench.choose('finish', id)}
      />
      {#if kg > 0}<p class="small mt-1">
          About {massText(kg, household.settings.mass)} of sugar at the end; strength is what is left once it is
          in.
        </p>{/if}
      <button class="btn btn-primary mt-2 w-full" onclick={close}>Done</button>
    {/if}
  {/snippet}
</Word>,
<Word title="How sharp" text={acidWord} held={ta !== null || ph !== null}>
  {#snippet children(close: () => void)}
    <form
      class="grid gap-3"
      onsubmit={(e) => {
        e.preventDefault();
        close();
      }}
    >
      <GoalField
        label="Acid, g/L as tartaric"
        value={ta}
        placeholder="6.5"
        most={40}
        onset={(taGL) => bench.setGoals({ taGL })}
      />
      <GoalField
        label="pH, at most"
        value={ph}
        placeholder="3.6"
        least={2.5}
        most={7}
        onset={(phMax) => bench.setGoals({ phMax })}
      />
      {#if ta !== null}
        <GoalField
          label="Give or take, g/L"
          value={bench.target.within?.taGL ?? null}
          placeholder="0"
          most={10}
          onset={(n) => bench.allow('taGL', n ?? 0)}
        />
      {/if}
      <p class="small">Fruit wine 6–7 g/L, flower wine less; pH 3.2–3.6 keeps best. The acid follows.</p>
      <p class="head">Sharpened with</p>
      <Choices
        title="Sharpened with"
        options={sharpeners}
        value={bench.choice('sharpen')}
        onchoose={(id) => bench.choose('sharpen', id)}
      />
      <button class="btn btn-primary" type="submit">Hold it there</button>
      {#if ta !== null || ph !== null}<button
          class="btn btn-line"
          type="button"
          onclick={() => {
            bench.setGoals({ taGL: null, phMax: null });
            close();
          }}>As sharp as it comes</button
        >{/if}
    </form>
  {/snippet}
</Word>
