<script lang="ts">
  import { bottlesLeft } from '$core/ledger/state';
  import { mustColour } from '$core/plan/colour';
  import { abvText, counted, sgText, volumeText } from '$core/units/format';
  import { type Batch, household, vesselById, vesselName } from '$lib/store/household.svelte';
  import { beforeText, readOnText } from '../shelf/read-words';
  import { dayWord, dueWord } from '../shelf/when';
  import { abvParts, unreadWord } from '../words/how-far';
  import VesselMini from '../vessel/VesselMini.svelte';

  /** One wine in the list: where it stands, and what comes next. A tick picks it for comparing. */
  type Props = { batch: Batch; picked: boolean; onpick: (picked: boolean) => void };
  let { batch: b, picked, onpick }: Props = $props();

  const v = $derived(vesselById(b.state.fills[0]?.vesselId ?? ''));
  /** The same that its own page says. */
  const says = $derived(b.says);
  /** All of it is in bottles, or gone. */
  const bottled = $derived(b.state.fills.length === 0);
  const left = $derived(bottlesLeft(b.state));
  /** Its reading is told with its day, and where it likely is by now before it. */
  const isBy = $derived((says.isCarriedOn || says.hasMovedOn) && says.unlike.length === 0);
  const gravity = $derived(
    says.unlike.length > 0
      ? says.unlike.map((r) => sgText(r.sg)).join(', ')
      : isBy
        ? `≈\u00a0${sgText(b.standing.belief!.sg.likely)}`
        : b.standing.sg && !(bottled && says.lastRead?.before)
          ? sgText(b.standing.sg.sg)
          : ''
  );
  const readOn = $derived.by(() => {
    if (!says.lastRead) return '';
    const at = [household.now, b.state.zone] as const;
    if (isBy) return `${sgText(b.standing.sg!.sg)} ${readOnText(says.lastRead, ...at)}`;
    return `${dayWord(says.lastRead.at, ...at)}${beforeText(says.lastRead)}`;
  });
  const where = $derived(b.state.fills.map((f) => vesselName(f.vesselId, 'a vessel')).join(', '));
  const colour = $derived(mustColour(b.state.plan.ingredients).must);
</script>

<li class="dashline flex items-center gap-2">
  <label class="grid size-11 shrink-0 place-items-center max-sm:hidden" title="Pick it for comparing"
    ><input
      type="checkbox"
      class="checkbox checkbox-sm"
      aria-label="Compare {b.state.name}"
      checked={picked}
      onchange={(e) => onpick(e.currentTarget.checked)}
    /></label
  >
  <a
    href="/batches/{b.id}"
    class="grid min-h-14 min-w-0 flex-1 grid-cols-[44px_minmax(0,1.2fr)_auto] items-center gap-x-4 py-1.5 no-underline hover:bg-slip md:grid-cols-[44px_minmax(0,1.3fr)_6rem_5rem_6rem_minmax(0,1.6fr)]"
  >
    <span class="flex h-11 items-end justify-center">
      {#if v && !bottled}<VesselMini
          vessel={v}
          volumeL={b.standing.volumeL / Math.max(1, b.state.fills.length)}
          {colour}
          size={38}
        />{:else}<span class="size-4 self-center rounded-full" style:background={colour}></span>{/if}
    </span>
    <span class="min-w-0"
      ><span class="number block text-[1.1875rem] leading-tight break-words">{b.state.name}</span><span
        class="small block break-words">day {b.standing.day}{bottled ? '' : `, ${where}`}</span
      ></span
    >
    <span class="number text-right text-[1.1875rem] md:order-none"
      >{says.reading === 'never'
        ? unreadWord(b.state).toLowerCase()
        : gravity}{#if says.reading !== 'never' && says.lastRead && (isBy || !says.lastRead.isFresh) && !bottled}<span
          class="small block font-sans">{readOn}</span
        >{/if}</span
    >
    <span class="hidden text-right md:block"
      >{says.hasStrength || (says.reading === 'never' && b.standing.belief)
        ? says.reading === 'never'
          ? abvParts(b.standing.abv).figure
          : `${abvText(b.standing.abv.likely)} %`
        : ''}</span
    >
    <span class="hidden text-right md:block"
      >{bottled
        ? left > 0
          ? counted(left, 'bottle')
          : 'none left'
        : volumeText(b.standing.volumeL, household.settings.volume)}</span
    >
    <span class="small hidden md:block">
      {#if b.due[0]}{b.due[0].step.title}, {dueWord(
          b.due[0],
          household.now,
          b.state.zone
        )}{:else if b.state.bottled[0]}filled {dayWord(
          b.state.bottled[0].at,
          household.now,
          b.state.zone
        )}{:else if bottled}last written of {dayWord(b.state.lastAt, household.now, b.state.zone)}{/if}
    </span>
  </a>
</li>
