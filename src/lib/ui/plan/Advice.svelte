<script lang="ts">
  import { planCautions, SAFE_PH } from '$core/cautions/rules';
  import Tag from '../tag/Tag.svelte';
  import type { Bench } from './bench.svelte';

  let { bench, overL, isBusy }: { bench: Bench; overL: number; isBusy: string | null } = $props();

  const e = $derived(bench.estimate);
  const cautions = $derived(e ? planCautions(bench.solved.plan, e.ph?.likely ?? null) : []);
  const hard = $derived(cautions.filter((c) => c.level !== 'note'));
  const notes = $derived(cautions.filter((c) => c.level === 'note'));
  const heavy = $derived((e?.sgAllGiven?.likely ?? 1) > 1.12);
  const sharp = $derived((e?.taGL?.likely ?? 0) > 9);
  const flat = $derived(
    e?.taGL && e.taGL.likely < 4 && e.likely.produceKg > 0 && (e.ph?.likely ?? 0) <= SAFE_PH
  );
</script>

<div class="grid gap-1.5" aria-label="Advice and cautions" role="group">
  {#if overL > 0}<Tag tone="danger" compact><b>It will not fit.</b> Choose a larger vessel, or make less.</Tag
    >{/if}
  {#if isBusy}<Tag tone="caution" compact>That vessel still holds {isBusy}.</Tag>{/if}
  {#each bench.solved.gaveWay as line (line)}<Tag tone="good" compact>{line}</Tag>{/each}
  {#if heavy}<Tag tone="caution" compact
      >Over 1.120 yeast struggles: make more wine of it, or feed the sugar in two parts.</Tag
    >{/if}
  {#if sharp}<Tag tone="good" compact>Sharp: more water and less fruit a litre would soften it.</Tag>{/if}
  {#if flat}<Tag tone="good" compact
      >Flat: about {((5.5 - e!.taGL!.likely) * (e!.liquidVolumeL?.likely ?? 0)).toFixed(0)} g of acid would bring
      it to 5.5 g/L.</Tag
    >{/if}
  {#each hard as c (c.id)}<Tag tone={c.level === 'warn' ? 'caution' : 'danger'} compact>{c.text}</Tag>{/each}
  {#if notes.length > 0}<p class="small">{notes.map((n) => n.text).join(' ')}</p>{/if}
</div>
