<script lang="ts">
  import { volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';

  /** Whether what nobody spoke of is sediment, in one tap; else it stays. */
  type Props = { restL: number; isAll: boolean; where: string; onset: (rest: 'sediment' | 'stays') => void };
  let { restL, isAll, where, onset }: Props = $props();
</script>

<label class="flex min-h-11 items-center gap-3"
  ><input
    type="checkbox"
    class="checkbox"
    checked={isAll}
    onchange={(e) => onset(e.currentTarget.checked ? 'sediment' : 'stays')}
  />
  <span
    >That was all, the other {volumeText(restL, household.settings.volume)} is sediment{#if !isAll}<span
        class="small block">Else it stays {where}.</span
      >{/if}</span
  ></label
>
