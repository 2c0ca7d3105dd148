<script lang="ts">
  import Text from '../field/Text.svelte';
  import { household } from '$lib/store/household.svelte';

  /** How a bottle was heated through: its core by a thermometer, and how long it was held. */
  type Props = {
    draft: {
      fields: Record<'coreC' | 'heldMin', string>;
      set: (key: 'coreC' | 'heldMin', text: string) => void;
    };
  };
  let { draft }: Props = $props();
</script>

<details open={draft.fields.coreC !== '' || draft.fields.heldMin !== ''}>
  <summary class="flex min-h-11 cursor-pointer items-center font-semibold">Heated in the bottle</summary>
  <div class="grid grid-cols-2 gap-3">
    <Text
      {draft}
      at="coreC"
      label="Core, °{household.settings.temp}"
      mode="decimal"
      placeholder="by thermometer"
    />
    <Text {draft} at="heldMin" label="Held so long, min" mode="numeric" />
  </div>
  <p class="small mt-1">
    Gas stirred out, stoppers loose, warmed slowly; a thermometer in an open bottle of water beside them. <a
      class="link"
      href="/bench/heat">How long it takes</a
    >
  </p>
</details>
