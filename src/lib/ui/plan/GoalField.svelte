<script lang="ts">
  import { parseNumber } from '$core/units/parse';

  /** A goal in numbers: emptied, it follows; out of its bounds, it is not taken. */
  type Props = {
    label: string;
    value: number | null;
    placeholder: string;
    least?: number;
    most: number;
    onset: (n: number | null) => void;
  };
  let { label, value, placeholder, least = 0, most, onset }: Props = $props();

  function take(text: string) {
    if (text.trim() === '') return onset(null);
    const n = parseNumber(text);
    if (n !== null && n > 0 && n >= least && n <= most) onset(n);
  }
</script>

<label class="grid gap-1 font-semibold"
  >{label}
  <input
    class="field"
    inputmode="decimal"
    autocomplete="off"
    {placeholder}
    value={value ?? ''}
    onchange={(e) => take(e.currentTarget.value)}
  />
</label>
