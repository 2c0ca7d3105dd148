<script lang="ts">
  import { goto } from '$app/navigation';
  import { findPoisonous, unsafePart } from '$core/tables/plants';
  import { FAMILIES, type Produce } from '$core/tables/produce';
  import { produceById } from '$core/tables/table';
  import { InputError } from '$core/units/input-error';
  import { explain } from '$lib/ui/words/own-units';
  import { allProduce, household } from '$lib/store/household.svelte';
  import { keep } from '$lib/store/things';

  /** An entry of one's own: a name, and the entry it is most like, whose figures it starts from. */
  let name = $state('');
  let like = $state('plum');
  let error = $state('');

  async function add(e: SubmitEvent) {
    e.preventDefault();
    try {
      const said = name.trim();
      const id = said
        .toLowerCase()
        .normalize('NFKD')
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '');
      if (!id) throw new InputError('It has no name.', 'Give it one.');
      const poison = findPoisonous(said) ?? unsafePart(said);
      if (poison) throw new InputError(`Not in a wine: ${poison.why}`, 'Leave it out.');
      if (produceById(id) || household.ownProduce.some((o) => o.id === id))
        throw new InputError(`There is a ${said} already.`, 'Open it and give it your own figures.');
      const base = allProduce().find((p) => p.id === like)!;
      const entry: Produce = {
        ...base,
        id,
        name: said,
        plural: said,
        latin: '',
        from: { ...base.from, composition: 'estimate', acids: 'estimate', ph: 'estimate' }
      };
      await keep('produce', entry);
      await goto(`/almanac/produce/${id}?own`);
    } catch (err) {
      error = explain(err);
    }
  }
  const families = FAMILIES.map((f) => ({ f, list: allProduce().filter((p) => p.family === f) }));
</script>

<form
  class="inkline mt-2 flex flex-wrap items-end gap-3 pt-3"
  aria-label="Add your own produce"
  onsubmit={add}
>
  <label class="grid gap-1 font-semibold"
    >Something that is not here<input
      class="field"
      maxlength="80"
      autocomplete="off"
      placeholder="Its name"
      bind:value={name}
    /></label
  >
  <label class="grid gap-1 font-semibold"
    >Most like<select class="field" bind:value={like}
      >{#each families as { f, list } (f)}{#each list as p (p.id)}<option value={p.id}>{p.name}</option
          >{/each}{/each}</select
    ></label
  >
  <button class="btn btn-line">Add it</button>
  {#if error}<p class="w-full text-rosehip" role="alert">{error}</p>{/if}
  <p class="small w-full">
    Be sure what it is with someone who knows; if in doubt, leave it out. Its figures start from the one it is
    most like: give it your own next.
  </p>
</form>
