<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import type { Stage } from '$core/steps/stages';
  import { volumeText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import { zoneHere } from '$lib/store/here';
  import { dayWord } from '../shelf/when';

  /** Where the wine goes after the bucket: what is free on the day, and the air it leaves. */
  let { stages }: { stages: Stage[] } = $props();
  const zone = zoneHere();
</script>

<dl class="mt-1 text-[0.9375rem]" data-testid="stages">
  {#each stages as s (s.name)}
    <div class="dashline flex items-baseline justify-between gap-3 py-1">
      <dt class="shrink-0">
        <span class="font-semibold">{s.name}</span>
        <span class="small">{dayWord(s.atMs, household.now, zone)}</span>
      </dt>
      <dd class="text-right {s.fits ? '' : 'text-rosehip'}">
        {volumeText(s.volumeL, household.settings.volume)}{s.vessels.length > 0
          ? `: ${s.vessels.map((v) => v.name).join(' + ')}`
          : ''}, {own(s.text)}
      </dd>
    </div>
  {/each}
</dl>
