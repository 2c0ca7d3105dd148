<script lang="ts" generics="K extends string">
  /** A labelled choice that is kept in a form's draft. */
  type Props = {
    draft: { fields: Record<K, string>; set: (key: K, text: string) => void };
    at: K;
    label: string;
    options: readonly (readonly [id: string, name: string])[];
    /** what is chosen while nobody chose */
    value?: string;
    class?: string;
  };
  let { draft, at, label, options, value, class: more = '' }: Props = $props();
</script>

<label class="grid gap-1 text-[0.9375rem] font-semibold {more}"
  >{label}
  <select
    class="field"
    value={value ?? draft.fields[at]}
    onchange={(e) => draft.set(at, e.currentTarget.value)}
    >{#each options as [id, name] (id)}<option value={id}>{name}</option>{/each}</select
  >
</label>
