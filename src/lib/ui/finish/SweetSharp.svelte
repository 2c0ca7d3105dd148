<script lang="ts">
  /** A wine on the field: sugar it tastes of, g/L, and acid, g/L as tartaric. */
  type At = { sweetGL: number; taGL: number };
  type Props = {
    now: At;
    /** where it is wanted; and where what goes in brings it, which may be short of that */
    target: At;
    then: At;
    /** glasses that are tried, by their letters */
    glasses?: (At & { label: string })[];
    /** where it stood when it was tasted, and how well it was liked */
    tasted?: (At & { label: string })[];
    /** the target, dragged or moved by arrow keys */
    onmove: (to: At) => void;
    name?: string;
  };
  let {
    now,
    target,
    then,
    glasses = [],
    tasted = [],
    onmove,
    name = 'Sweet and sharp: where it is to be'
  }: Props = $props();

  const W = 320;
  const H = 220;
  const [LEFT, TOP, RIGHT, BOTTOM] = [34, 8, W - 8, H - 34];
  const MOST_SWEET = 100;
  const [LEAST_TA, MOST_TA] = [3, 11];
  /** Sweetness is told apart by its square root: the dry side has the room. */
  const x = (g: number) =>
    LEFT + (RIGHT - LEFT) * Math.sqrt(Math.max(0, Math.min(MOST_SWEET, g)) / MOST_SWEET);
  const y = (t: number) =>
    BOTTOM - ((BOTTOM - TOP) * (Math.max(LEAST_TA, Math.min(MOST_TA, t)) - LEAST_TA)) / (MOST_TA - LEAST_TA);
  const back = (px: number, py: number): At => ({
    sweetGL: MOST_SWEET * Math.max(0, Math.min(1, (px - LEFT) / (RIGHT - LEFT))) ** 2,
    taGL: LEAST_TA + (MOST_TA - LEAST_TA) * Math.max(0, Math.min(1, (BOTTOM - py) / (BOTTOM - TOP)))
  });
  /** Where sweet and sharp hold each other, for most: half a gram of acid for each twelve of sugar. Common practice. */
  const balanced = (g: number) => 5.4 + 0.042 * g;
  const SWEET = [0, 9, 18, 35, 60, 100] as const;
  const band = [
    ...SWEET.map((g) => `${x(g)},${y(balanced(g) + 0.9)}`),
    ...SWEET.toReversed().map((g) => `${x(g)},${y(balanced(g) - 0.9)}`)
  ].join(' ');
  const WORDS = [
    [4, 'dry'],
    [13, 'off-dry'],
    [26, 'medium'],
    [47, ''],
    [78, 'sweet']
  ] as const;

  let svg = $state<SVGSVGElement>();
  let isDragged = $state(false);
  function moveTo(e: PointerEvent) {
    const box = svg!.getBoundingClientRect();
    onmove(back(((e.clientX - box.left) / box.width) * W, ((e.clientY - box.top) / box.height) * H));
  }
  function key(e: KeyboardEvent) {
    const step: Record<string, [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, 0.1],
      ArrowDown: [0, -0.1]
    };
    const by = step[e.key];
    if (!by) return;
    e.preventDefault();
    onmove({
      sweetGL: Math.max(0, Math.min(MOST_SWEET, target.sweetGL + by[0])),
      taGL: Math.max(LEAST_TA, Math.min(MOST_TA, target.taGL + by[1]))
    });
  }
</script>

<svg
  bind:this={svg}
  viewBox="0 0 {W} {H}"
  class="w-full max-w-md touch-none select-none"
  role="slider"
  tabindex="0"
  aria-label={name}
  aria-valuenow={Math.round(target.sweetGL)}
  aria-valuemin={0}
  aria-valuemax={MOST_SWEET}
  aria-valuetext="{target.sweetGL.toFixed(0)} g/L sweet, {target.taGL.toFixed(1)} g/L sharp"
  onkeydown={key}
  onpointerdown={(e) => {
    isDragged = true;
    svg!.setPointerCapture(e.pointerId);
    moveTo(e);
  }}
  onpointermove={(e) => isDragged && moveTo(e)}
  onpointerup={() => (isDragged = false)}
  onpointercancel={() => (isDragged = false)}
>
  <rect x={LEFT} y={TOP} width={RIGHT - LEFT} height={BOTTOM - TOP} class="fill-slip stroke-ink" />
  <polygon points={band} class="fill-tint-green" />
  {#each SWEET.slice(1, -1) as g (g)}<line
      x1={x(g)}
      x2={x(g)}
      y1={TOP}
      y2={BOTTOM}
      class="stroke-rule"
    />{/each}
  {#each WORDS as [g, word] (g)}<text
      x={x(g)}
      y={BOTTOM + 13}
      text-anchor="middle"
      class="fill-ink text-[11px]">{word}</text
    >{/each}
  {#each [4, 6, 8, 10] as t (t)}
    <line x1={LEFT - 4} x2={LEFT} y1={y(t)} y2={y(t)} class="stroke-ink" />
    <text x={LEFT - 7} y={y(t) + 3.5} text-anchor="end" class="fill-ink text-[11px]">{t}</text>
  {/each}
  <text x={RIGHT} y={H - 6} text-anchor="end" class="fill-quiet text-[11px]">sweeter →</text>
  <text x={LEFT} y={H - 6} class="fill-quiet text-[11px]">↑ acid, g/L</text>
  <line
    x1={x(now.sweetGL)}
    y1={y(now.taGL)}
    x2={x(then.sweetGL)}
    y2={y(then.taGL)}
    class="stroke-ink"
    stroke-dasharray="3 3"
  />
  {#each glasses as g (g.label)}
    <circle cx={x(g.sweetGL)} cy={y(g.taGL)} r="7" class="fill-slip stroke-quiet" />
    <text x={x(g.sweetGL)} y={y(g.taGL) + 3.5} text-anchor="middle" class="fill-ink text-[9px]"
      >{g.label}</text
    >
  {/each}
  <circle
    cx={x(target.sweetGL)}
    cy={y(target.taGL)}
    r="12"
    class="fill-none stroke-greengage"
    stroke-width="1.5"
  />
  {#each tasted as t, i (i)}
    <rect
      x={x(t.sweetGL) - 4}
      y={y(t.taGL) - 4}
      width="8"
      height="8"
      class="fill-straw stroke-ink"
      transform="rotate(45 {x(t.sweetGL)} {y(t.taGL)})"
    />
    <text x={x(t.sweetGL) + 9} y={y(t.taGL) - 7 - 11 * i} class="fill-ink text-[10px]">{t.label}</text>
  {/each}
  <circle cx={x(now.sweetGL)} cy={y(now.taGL)} r="5" class="fill-ink" />
  <circle
    cx={x(then.sweetGL)}
    cy={y(then.taGL)}
    r="9"
    class="fill-greengage stroke-slip"
    stroke-width="2.5"
  />
</svg>
