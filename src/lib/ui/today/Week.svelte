<script lang="ts">
  import { civilDay, inZone } from '$core/units/zone';
  import { zoneHere } from '$lib/store/here';
  import { household } from '$lib/store/household.svelte';
  import { startedBatches } from './walkable';

  /** The next days as a small calendar: how much comes on each, and what. */
  const DAYS = 7;
  const DAY = 86_400_000;
  const zone = zoneHere();
  const dayOf = (at: number) => civilDay(at, zone);
  const days = $derived(
    Array.from({ length: DAYS }, (_, n) => {
      const at = household.now + (n + 1) * DAY;
      return {
        at,
        day: dayOf(at),
        name: inZone(at, zone, { weekday: 'short' }),
        number: inZone(at, zone, { day: 'numeric' })
      };
    })
  );
  const coming = $derived(
    startedBatches()
      .flatMap((batch) => batch.due.filter((d) => d.status === 'coming').map((d) => ({ batch, d })))
      .filter((x) => dayOf(x.d.dueAt) <= days.at(-1)!.day)
      .sort((a, b) => a.d.dueAt - b.d.dueAt)
  );
  const on = (day: string) =>
    coming.filter((x) => (dayOf(x.d.dueAt) < days[0]!.day ? days[0]!.day : dayOf(x.d.dueAt)) === day);
  let chosen = $state<string | null>(null);
  const shown = $derived(
    chosen ? days.filter((d) => d.day === chosen) : days.filter((d) => on(d.day).length > 0)
  );
</script>

<section aria-label="Next week" class="max-lg:mt-6">
  <h2 class="head mb-1 font-sans!">Within the week</h2>
  <ul class="grid grid-cols-7 border-[1.5px] border-ink" aria-label="Days">
    {#each days as d (d.day)}
      {@const n = on(d.day).length}
      <li class="border-rule not-last:border-r">
        <button
          class="grid min-h-14 w-full content-center justify-items-center leading-tight {chosen === d.day
            ? 'bg-primary text-primary-content'
            : n > 0
              ? 'bg-slip'
              : 'text-quiet'}"
          aria-pressed={chosen === d.day}
          aria-label="{d.name} {d.number}: {n} {n === 1 ? 'job' : 'jobs'}"
          onclick={() => (chosen = chosen === d.day ? null : d.day)}
        >
          <span class="text-[0.75rem]">{d.name}</span>
          <span class="number text-[1.0625rem]">{d.number}</span>
          <span class="h-1.5" aria-hidden="true"
            >{#each { length: Math.min(4, n) } as _, i (i)}<span
                class="mx-px inline-block size-1.5 {chosen === d.day ? 'bg-primary-content' : 'bg-greengage'}"
              ></span>{/each}</span
          >
        </button>
      </li>
    {/each}
  </ul>
  {#each shown as d (d.day)}
    <h3 class="mt-2 font-sans text-[0.875rem] font-semibold text-quiet">
      {inZone(d.at, zone, { weekday: 'long', day: 'numeric', month: 'short' })}
    </h3>
    <ul class="inkline">
      {#each on(d.day) as n (n.batch.id + n.d.step.id)}
        <li class="dashline">
          <a
            href="/batches/{n.batch.id}"
            class="flex min-h-11 items-center justify-between gap-3 no-underline"
          >
            <span class="min-w-0 break-words py-1"
              ><b>{n.batch.state.name}</b>
              <span class="text-quiet">{n.d.step.title.toLowerCase()}</span></span
            >
            {#if n.d.after || n.d.lateAt - n.d.dueAt > DAY}<span class="small max-w-[45%] text-right"
                >{n.d.after
                  ? `after ${n.d.after.title.toLowerCase()}`
                  : `by ${inZone(n.d.lateAt, zone, { day: 'numeric', month: 'short' })}`}</span
              >{/if}
          </a>
        </li>
      {:else}<li class="small py-2">Nothing comes due.</li>{/each}
    </ul>
  {:else}<p class="small py-2">Nothing comes due.</p>{/each}
</section>
