<script lang="ts">
  import CalendarDays from '@lucide/svelte/icons/calendar-days';
  import type { Batch } from '$lib/store/household.svelte';
  import { sayWrong } from '../nav/said.svelte';
  import { own } from '../words/own-units';

  /** The steps to come as a calendar file, of one wine or of all. */
  let {
    wines,
    name,
    class: classes = 'link flex min-h-11 items-center gap-1.5'
  }: { wines: readonly Batch[]; name: string; class?: string } = $props();

  async function save() {
    try {
      const [{ calendarOf }, { download, fileName }] = await Promise.all([
        import('$lib/files/calendar'),
        import('../recipe/download')
      ]);
      download(`${fileName(name)}.ics`, calendarOf(wines, own, Date.now()), 'text/calendar');
    } catch (e) {
      sayWrong(e);
    }
  }
</script>

<button class={classes} onclick={save}><CalendarDays size={17} aria-hidden="true" /> Calendar file</button>
