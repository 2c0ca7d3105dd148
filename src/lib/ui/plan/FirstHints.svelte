<script lang="ts">
  import Tag from '../tag/Tag.svelte';
</script>

<!-- Only until the first batch is begun. -->
<div class="mt-2">
  <Tag tone="good" compact>
    This is a wine. Every underlined word can be changed; <span class="text-greengage">green</span> ones
    follow from the rest. When you like it, press <b>Brew day</b>: it leads you through, one step at a time.
  </Tag>
</div>
