<script lang="ts">
  import { clashes, lyingIn } from '$core/cellar/racks';
  import type { CellarWine } from '$core/cellar/stock';
  import type { Ingredient } from '$core/plan/plan';
  import { InputError } from '$core/units/input-error';
  import { parseNumber } from '$core/units/parse';
  import { household } from '$lib/store/household.svelte';
  import { newId } from '$lib/store/here';
  import { keep, takeOff } from '$lib/store/things';
  import { tell } from '../nav/said.svelte';
  import Pop from '../pop/Pop.svelte';
  import type { Hand } from './held.svelte';
  import LeaveForm from './LeaveForm.svelte';
  import RackView from './RackView.svelte';

  /** The racks of the household, what lies in them, and what one has in hand. */
  type Props = {
    wines: readonly CellarWine[];
    coloursOf: (batchId: string) => readonly Ingredient[];
    hand: Hand;
    shown: string | null;
  };
  let { wines, coloursOf, hand, shown }: Props = $props();

  const lying = $derived(lyingIn(wines));
  const twice = $derived(clashes(lying).length);
  let name = $state('');
  let rows = $state('4');
  let cols = $state('6');
  const held = $derived(hand.held);

  const whole = (text: string, what: string): number => {
    const n = parseNumber(text);
    if (n === null || !Number.isInteger(n) || n < 1 || n > 40)
      throw new InputError(`“${text}” is no number of ${what}.`, 'Give a whole number from 1 to 40.');
    return n;
  };
  async function add(close: () => void) {
    const ok = await tell('Rack added.', () =>
      keep('racks', {
        id: newId(),
        name: name.trim() || `Rack ${household.racks.length + 1}`,
        rows: whole(rows, 'rows'),
        cols: whole(cols, 'places')
      })
    );
    if (!ok) return;
    name = '';
    close();
  }
</script>

<section aria-label="Racks" class="grid grid-cols-1 content-start gap-4">
  <div class="inkline flex items-center justify-between pt-1">
    <h2 class="text-[1.1875rem]">Where they lie</h2>
    <Pop title="A new rack" class="btn btn-plain">
      {#snippet trigger()}Add a rack{/snippet}
      {#snippet children(close)}
        <form
          class="grid w-64 gap-2"
          onsubmit={(e) => {
            e.preventDefault();
            void add(close);
          }}
        >
          <label class="grid gap-1 font-semibold"
            >Its name<input
              class="field"
              maxlength="60"
              placeholder="under the stairs"
              bind:value={name}
            /></label
          >
          <div class="grid grid-cols-2 gap-2">
            <label class="grid gap-1 font-semibold"
              >Rows<input class="field" inputmode="numeric" bind:value={rows} /></label
            >
            <label class="grid gap-1 font-semibold"
              >Places a row<input class="field" inputmode="numeric" bind:value={cols} /></label
            >
          </div>
          <button class="btn btn-primary">Add it</button>
        </form>
      {/snippet}
    </Pop>
  </div>
  {#if twice > 0}<p role="alert" class="bg-tint-rose px-3 py-2 text-ink">
      {twice === 1 ? 'In one place' : `In ${twice} places`} two bottles lie at once, as two devices wrote it. Tap
      it, and put one of them where it is.
    </p>{/if}
  {#each household.racks as rack (rack.id)}
    {@const many = [...lying.keys()].filter((k) => k.startsWith(`${rack.id}:`)).length}
    <div>
      <p class="mb-1 flex items-baseline justify-between gap-3">
        <span class="font-semibold">{rack.name}</span><span class="small"
          >{many} of {rack.rows * rack.cols} places
          {#if many === 0}<button
              class="btn btn-plain"
              onclick={() => tell(`${rack.name} taken off.`, () => takeOff('racks', rack.id))}>remove</button
            >{/if}</span
        >
      </p>
      <RackView {rack} {lying} {coloursOf} {hand} {shown} />
    </div>
  {:else}
    <p class="small">
      None drawn yet. Add a rack with your own rows, and every bottle has a place to be found at.
    </p>
  {/each}
  <!-- Under the racks, and nothing while it is dragged: what one aims at must not move away. -->
  {#if held && !held.isDragged}
    <div
      class="sticky bottom-32 z-10 border-[1.5px] border-ink bg-slip p-3"
      role="region"
      aria-label="In hand"
    >
      <p class="flex items-center justify-between gap-2">
        <span
          ><b>{held.wine.name}</b>{held.from
            ? `, row ${held.from.row + 1}, place ${held.from.col + 1}`
            : ', those in no rack'}: tap a free place to lay {held.from ? 'it' : 'them'} there.</span
        >
        <button class="btn btn-plain" onclick={() => hand.drop()}>Put back</button>
      </p>
      {#if held.from}
        <details>
          <summary class="min-h-11 cursor-pointer py-2.5 underline underline-offset-4"
            >It leaves the rack</summary
          >
          <LeaveForm wine={held.wine} kind={held.kind} from={[held.from]} ondone={() => hand.drop()} />
          <button class="btn btn-plain px-0!" onclick={() => hand.out()}>It stands loose now</button>
        </details>
      {/if}
    </div>
  {/if}
</section>
