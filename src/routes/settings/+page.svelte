<script lang="ts">
  import Files from '$lib/ui/settings/Files.svelte';
  import Units from '$lib/ui/settings/Units.svelte';
  import Instruments from '$lib/ui/instruments/Instruments.svelte';
  import Vessels from '$lib/ui/settings/Vessels.svelte';
  import Yeasts from '$lib/ui/settings/Yeasts.svelte';
</script>

<svelte:head><title>Settings · Vecino</title></svelte:head>

<h1 class="sentence pt-2 pb-2 font-bold">Your measures, vessels, yeasts, instruments and files</h1>
<div class="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-2">
  <div class="grid grid-cols-1 content-start gap-6"><Units /><Files /></div>
  <div class="grid grid-cols-1 content-start gap-6"><Vessels /><Yeasts /><Instruments /></div>
</div>
<p class="small pt-6" data-testid="version">Vecino {__APP_VERSION__}</p>
