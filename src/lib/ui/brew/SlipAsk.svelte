<script lang="ts">
  import { gramsText } from '$core/units/format';

  /** More than anyone puts in: said, with what was meant, and taken all the same when it is meant. */
  type Props = {
    grams: number;
    why: string;
    instead: string;
    isMeant: boolean;
    ontake: () => void;
    onmean: () => void;
  };
  let { grams, why, instead, isMeant, ontake, onmean }: Props = $props();
</script>

<div class="grid gap-2 bg-tint-rose p-4 text-[1.125rem]" role="alert">
  <p><b>{gramsText(grams)} is too much.</b> {why}</p>
  {#if !isMeant}
    <p class="flex flex-wrap gap-3">
      <button class="btn btn-primary" onclick={ontake}>Take {instead}</button>
      <button class="btn btn-line" onclick={onmean}>I understand, and mean it</button>
    </p>
  {/if}
</div>
