<script lang="ts">
  import { page } from '$app/state';
  import { isHere, PLACES } from './places';
</script>

<nav
  aria-label="Places"
  class="no-print flex bg-primary pb-[env(safe-area-inset-bottom)] text-primary-content md:hidden"
>
  {#each PLACES as p (p.href)}
    {@const here = isHere(page.url.pathname, p.href)}
    <a
      href={p.href}
      aria-current={here ? 'page' : undefined}
      class="flex min-h-[52px] min-w-0 flex-1 flex-col items-center justify-center text-[min(0.8125rem,3.05vw)] {here
        ? 'font-bold'
        : ''}"
    >
      <p.icon size={19} strokeWidth={here ? 2.4 : 1.6} aria-hidden="true" />
      <span class={here ? 'underline underline-offset-4' : ''}>{p.label}</span>
    </a>
  {/each}
</nav>
