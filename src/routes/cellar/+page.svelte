<script lang="ts">
  import CellarView from '$lib/ui/cellar/CellarView.svelte';
</script>

<svelte:head><title>Cellar · Vecino</title></svelte:head>
<CellarView />
