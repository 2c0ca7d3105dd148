import { base } from '$app/paths';
import BookOpen from '@lucide/svelte/icons/book-open';
import CalendarCheck from '@lucide/svelte/icons/calendar-check';
import Cherry from '@lucide/svelte/icons/cherry';
import FlaskRound from '@lucide/svelte/icons/flask-round';
import Scale from '@lucide/svelte/icons/scale';
import Settings from '@lucide/svelte/icons/settings';
import ShoppingBasket from '@lucide/svelte/icons/shopping-basket';
import Wine from '@lucide/svelte/icons/wine';

/** Today, also where Vecino stands under a path of another server. */
const HOME = `${base}/`;

/** The places that work, in the order of a day's walk. */
export const PLACES = [
  { href: HOME, label: 'Today', icon: CalendarCheck },
  { href: '/harvest', label: 'Harvest', icon: Cherry },
  { href: '/plan', label: 'Plan', icon: ShoppingBasket },
  { href: '/batches', label: 'Batches', icon: FlaskRound },
  { href: '/cellar', label: 'Cellar', icon: Wine },
  { href: '/bench', label: 'Bench', icon: Scale },
  { href: '/almanac', label: 'Almanac', icon: BookOpen },
  { href: '/settings', label: 'Settings', icon: Settings }
] as const;

export const isHere = (path: string, href: string): boolean =>
  href === HOME ? path === HOME || path === base : path.startsWith(href);
