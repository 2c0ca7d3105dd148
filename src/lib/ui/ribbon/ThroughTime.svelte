<script lang="ts">
  import type { Effect } from '$core/ledger/run';
  import { counted } from '$core/units/format';

  /** The ribbon through time: of all the sugar there was, what had turned, was dissolved, was still held. */
  type Props = {
    effects: readonly Effect[];
    to: number;
    colour: { must: string; fruit: string };
    title?: string;
  };
  let { effects, to, colour, title = 'The same, day by day' }: Props = $props();

  const [W, H] = [800, 46];
  const from = $derived(effects.length > 0 ? Date.parse(effects[0]!.event.at) : 0);
  const points = $derived(
    effects.flatMap((e) => {
      const at = Date.parse(e.event.at);
      // What a reading shows to have turned did so since the last one, not at that moment.
      return e.event.type === 'reading'
        ? [{ at, ...e.after.sugarKg }]
        : [
            { at, ...e.before.sugarKg },
            { at, ...e.after.sugarKg }
          ];
    })
  );
  const most = $derived(Math.max(0.01, ...points.map((p) => p.turned + p.dissolved + p.held)));
  const x = (at: number) => (W * (at - from)) / Math.max(1, to - from);
  const y = (kg: number) => H - (H * kg) / most;
  type Level = (p: (typeof points)[number]) => number;
  /** The outline of everything up to a level, from first to last. */
  const area = (level: Level): string => {
    const last = points.at(-1);
    if (!last) return '';
    const line = points.map((p) => `${x(p.at).toFixed(1)},${y(level(p)).toFixed(1)}`).join(' L');
    return `M0,${H} L${line} L${W},${y(level(last)).toFixed(1)} L${W},${H} Z`;
  };
</script>

{#if points.length > 4}
  <figure class="mt-2">
    <figcaption class="head mb-0.5 flex justify-between">
      <span>{title}</span><span>{counted(Math.max(1, Math.round((to - from) / 86_400_000)), 'day')}</span>
    </figcaption>
    <svg
      viewBox="0 0 {W} {H}"
      preserveAspectRatio="none"
      class="block h-[46px] w-full border border-ink"
      role="img"
      aria-label="Sugar through time: at the end {points
        .at(-1)!
        .turned.toFixed(2)} kg turned to alcohol, {points.at(-1)!.dissolved.toFixed(2)} kg dissolved, {points
        .at(-1)!
        .held.toFixed(2)} kg still held"
    >
      <path d={area((p) => p.turned + p.dissolved + p.held)} fill={colour.must} opacity="0.35" />
      <path d={area((p) => p.turned + p.dissolved)} fill="#e3cb93" />
      <path d={area((p) => p.turned)} fill={colour.fruit} />
    </svg>
  </figure>
{/if}
