<script lang="ts">
  /** Air over closed, still wine: a job, though the plan has none. */
  let { id }: { id: string } = $props();
</script>

<li class="flex flex-wrap items-center justify-between gap-x-6 gap-y-1" data-testid="air-job">
  <p class="min-w-0 flex-1 basis-60">
    <span class="font-semibold">Take the air from over it</span><span class="text-quiet"
      >. Like wine or boiled, cooled water to the neck, a smaller jar, or gas.</span
    >
  </p>
  <a class="btn btn-line" href="/batches/{id}#top-up">Top it up</a>
</li>
