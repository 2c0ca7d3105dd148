<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A tied tag with a notched end and a hole. What is due is inked; advice is green, caution straw, danger rose. */
  type Props = {
    tone?: 'plain' | 'inked' | 'good' | 'caution' | 'danger';
    children: Snippet;
    compact?: boolean;
  };
  let { tone = 'plain', children, compact = false }: Props = $props();

  const tones = {
    plain: 'bg-slip text-ink',
    inked: 'bg-primary text-primary-content',
    good: 'bg-tint-green text-ink',
    caution: 'bg-tint-straw text-ink',
    danger: 'bg-tint-rose text-ink'
  };
</script>

<div
  class="tag {tones[tone]} {compact ? 'py-2' : 'py-3'} {tone === 'plain' ? 'outlined' : ''}"
  data-tone={tone}
>
  <span class="hole" aria-hidden="true"></span>
  <div class="min-w-0">{@render children()}</div>
</div>

<style>
  .tag {
    position: relative;
    padding-left: 2.1rem;
    padding-right: 0.9rem;
    clip-path: polygon(16px 0, 100% 0, 100% 100%, 16px 100%, 0 50%);
  }
  .outlined {
    border-block: 1.5px solid var(--color-base-content);
    border-right: 1.5px solid var(--color-base-content);
  }
  .hole {
    position: absolute;
    left: 15px;
    top: calc(50% - 4px);
    width: 8px;
    height: 8px;
    border-radius: 50%;
    background: var(--color-base-100);
    border: 1px solid color-mix(in oklab, var(--color-base-content) 60%, transparent);
  }
</style>
