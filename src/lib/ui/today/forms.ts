/** The forms of the walk, each loaded when the first card wants it. */
export const FORMS = {
  look: () => import('./LookCard.svelte'),
  warmth: () => import('./WarmthCard.svelte'),
  read: () => import('./ReadCard.svelte'),
  rack: () => import('./RackCard.svelte'),
  open: () => import('./OpenCard.svelte'),
  taste: () => import('../taste/TasteCard.svelte'),
  bottle: () => import('./BottleCard.svelte')
} as const;

export const hasForm = (form: string | null): form is keyof typeof FORMS => form !== null && form in FORMS;
