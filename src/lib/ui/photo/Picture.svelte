<script lang="ts">
  import { photoOf } from '$lib/store/photos';

  /** A kept picture, read when it comes into view; by a tap as large as the screen allows. */
  let { id, width, height, text }: { id: string; width: number; height: number; text: string } = $props();

  let url = $state<string | null>(null);
  let isMissing = $state(false);
  let box = $state<HTMLElement>();
  let dialog = $state<HTMLDialogElement>();
  let blob: Blob | null = null;

  $effect(() => {
    const wanted = id;
    let mine: string | null = null;
    const seen = new IntersectionObserver(
      async ([e]) => {
        if (!e?.isIntersecting) return;
        seen.disconnect();
        const photo = await photoOf(wanted);
        blob = photo?.blob ?? null;
        if (photo) url = mine = URL.createObjectURL(photo.blob);
        isMissing = !photo;
      },
      { rootMargin: '200px' }
    );
    if (box) seen.observe(box);
    return () => {
      seen.disconnect();
      if (mine) URL.revokeObjectURL(mine);
    };
  });

  const canShare = typeof navigator !== 'undefined' && 'share' in navigator && 'canShare' in navigator;
  async function share() {
    if (!blob) return;
    const files = [new File([blob], 'wine.jpg', { type: 'image/jpeg' })];
    if (navigator.canShare({ files })) await navigator.share({ files, text }).catch(() => undefined);
  }
</script>

<span bind:this={box} class="inline-block" style:min-height="80px">
  {#if url}
    <button
      type="button"
      class="block border border-rule bg-slip p-1"
      aria-label="Look at it: {text}"
      onclick={() => dialog?.showModal()}
      ><img src={url} alt={text} {width} {height} class="h-20 w-auto max-w-full object-contain" /></button
    >
    <dialog
      bind:this={dialog}
      class="m-auto max-h-[96vh] max-w-[96vw] border-[1.5px] border-ink bg-paper p-3"
      aria-label={text}
    >
      <img src={url} alt={text} {width} {height} class="max-h-[80vh] w-auto max-w-full object-contain" />
      <p class="mt-2 flex items-center justify-between gap-3">
        <span class="min-w-0 break-words">{text}</span>
        <span class="flex gap-2"
          >{#if canShare}<button class="btn btn-line" onclick={share}>Share</button>{/if}<button
            class="btn btn-primary"
            onclick={() => dialog?.close()}>Close</button
          ></span
        >
      </p>
    </dialog>
  {:else if isMissing}<span class="small">The picture itself is not on this device.</span>{/if}
</span>
