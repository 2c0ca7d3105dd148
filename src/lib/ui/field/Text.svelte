<script lang="ts" generics="K extends string">
  /** A labelled field whose text is kept in a form's draft. */
  type Props = {
    draft: { fields: Record<K, string>; set: (key: K, text: string) => void };
    at: K;
    label: string;
    placeholder?: string;
    mode?: 'text' | 'decimal' | 'numeric';
    large?: boolean;
    focus?: boolean;
    /** the id of what explains it */
    help?: string;
    list?: string;
    class?: string;
  };
  let {
    draft,
    at,
    label,
    placeholder,
    mode = 'text',
    large = false,
    focus = false,
    help,
    list,
    class: more = ''
  }: Props = $props();
</script>

<label class="grid gap-1 text-[0.9375rem] font-semibold {more}"
  >{label}
  <!-- svelte-ignore a11y_autofocus -->
  <input
    class="field {large ? 'number text-[1.5rem]!' : ''}"
    inputmode={mode}
    autocomplete="off"
    autofocus={focus}
    {placeholder}
    {list}
    aria-describedby={help}
    value={draft.fields[at]}
    oninput={(e) => draft.set(at, e.currentTarget.value)}
  />
</label>
