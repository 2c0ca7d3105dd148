<script lang="ts">
  import type { Ask } from '$core/quickline/command';
  import StemAsk from '../field/StemAsk.svelte';

  type Choice = { label: string; line: string };
  type Props = {
    ask: Ask | null;
    /** why it cannot be written as it stands */
    wrong: string;
    /** what was asked about once: the next press says that it is so */
    asked: string;
    /** a reading that wants to know of the household's own instrument */
    stem: string;
    vessels: Choice[];
    onput: (line: string) => void;
  };
  /** What has to be settled before a line can be written, and lines that settle it. */
  let { ask, wrong, asked, stem, vessels, onput }: Props = $props();
</script>

{#snippet choices(list: readonly Choice[])}
  <ul class="mt-1 flex flex-wrap gap-2">
    {#each list as c, i (c.label + c.line)}<li>
        <button
          type="button"
          class="btn btn-line"
          aria-keyshortcuts="Alt+{i + 1}"
          onclick={() => onput(c.line)}
          >{c.label}
          <kbd class="text-[0.75rem] font-normal text-quiet max-md:hidden">alt {i + 1}</kbd></button
        >
      </li>{/each}
  </ul>
{/snippet}

{#if ask}
  <p class="bg-tint-straw px-3 py-2" role="alert" data-testid="asks">{ask.text}</p>
  {#if ask.choices.length > 0}{@render choices(ask.choices)}{/if}
{/if}
{#if stem}<StemAsk text={stem} on="sg" />{/if}
{#if !ask && wrong}
  <p class="px-3 py-2 {asked ? 'bg-tint-straw' : 'bg-tint-rose'}" role="alert">
    {wrong}{asked ? ' Press once more if it is so.' : ''}
  </p>
  {#if vessels.length > 0}{@render choices(vessels)}{/if}
{/if}
