import type { Deed } from '$core/commands/deed';
import { lotOf } from '$core/plan/harvest';
import { frozenOf } from '$core/plan/stock';
import type { Ingredient } from '$core/plan/plan';
import type { Command, CommandOf } from '$core/quickline/command';
import { planOf } from '$core/quickline/plan-of';
import { keepDraft } from '$lib/store/draft';
import { household, changeSettings } from '$lib/store/household.svelte';
import { newId } from '$lib/store/here';
import { perform } from '$lib/store/record';
import { stockNow } from '$lib/store/stock';
import { keepAll } from '$lib/store/things';
import { sayDone, sayKept } from '../nav/said.svelte';
import { takeDeedBack } from '../nav/undo-last';
import type { LastDeed } from '../words/deed-words';
import type { Preview } from './preview';

type Go = (href: string) => Promise<unknown>;

/**
 * Does what a line means: all that is of wines is one group, taken back as one.
 * @param go opens a page
 * @param sure said to be right where it was asked about
 * @param last the last deed of this device, which an undo takes back
 * @throws AskError what is to be asked before it is written; InputError what cannot be
 */
export async function run(p: Preview, sure: boolean, go: Go, last: LastDeed | null): Promise<void> {
  const deed: Deed = p.written.flatMap((w) => w.deed);
  if (deed.length > 0) {
    // A jar that a line brings along is there only if what the line says is written.
    const along = {
      vessels: p.written.flatMap((w) => w.newVessels),
      yeasts: p.written.flatMap((w) => w.newYeasts ?? [])
    };
    const events = await perform(deed, { sure }, along);
    const [first] = p.lines;
    sayDone(
      p.lines.length > 1 ? `${p.lines.length} things written down.` : `${first!.who}: ${first!.what}.`,
      events
    );
  }
  for (const c of p.others) await other(c, go, last);
}

async function other(c: Command, go: Go, last: LastDeed | null): Promise<void> {
  if (c.kind === 'weigh-in') return weighIn(c);
  if (c.kind === 'plan') {
    keepDraft('proposed', planOf(c, household.settings.waterAlkalinityMgL, household.settings.volume));
    await go('/plan?from=proposed');
  }
  if (c.kind === 'go')
    await go(c.batchId ? `/batches/${c.batchId}` : c.page === 'today' ? '/' : `/${c.page}`);
  if (c.kind === 'undo' && last) await takeDeedBack(last);
  if (c.kind === 'set') await keepSet(c);
  if (c.kind === 'away') await go(c.from ? `/walk/away?from=${c.from}&to=${c.to}` : '/walk/away');
}

/** A usual set: the one of that name gives way. */
async function keepSet({ name, line }: CommandOf<'set'>): Promise<void> {
  await changeSettings((s) => ({
    sets: [...s.sets.filter((x) => x.name !== name), { name, line }].slice(-50)
  }));
  sayKept(`Kept: my ${name}.`, []);
}

async function weighIn(c: CommandOf<'weigh-in'>): Promise<void> {
  const how = {
    at: c.at ?? new Date().toISOString(),
    form: c.form ?? 'fresh',
    weighed: 'bought',
    ...(c.note ? { note: c.note } : {})
  } as const;
  const items = c.lots as Extract<Ingredient, { kind: 'produce' }>[];
  if (!c.isMove) {
    const lots = items.map((x) => lotOf(newId(), x, how));
    return sayKept('Weighed in.', await keepAll('harvest', lots));
  }
  const stock = await stockNow();
  const lots = items.flatMap((x) => {
    const moved = frozenOf(x, stock, how.at, newId);
    return [
      ...moved.lots,
      ...(moved.restKg > 0
        ? [lotOf(newId(), { ...x, massKg: moved.restKg }, { ...how, form: 'frozen' })]
        : [])
    ];
  });
  sayKept('Into the freezer.', await keepAll('harvest', lots));
}
