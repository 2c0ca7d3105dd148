import type { Draft } from '$core/commands/deed';
import { isOfWine, type Command, type CommandOf } from '$core/quickline/command';
import type { Context } from '$core/quickline/context';
import { deedsOf } from '$core/quickline/deed';
import type { Home, Written } from '$core/quickline/home';
import { defOf, type LedgerEvent } from '$core/ledger/log';
import { nameOf } from '$core/plan/name';
import { abvText, volumeText } from '$core/units/format';
import { household, vesselById, type Batch } from '$lib/store/household.svelte';
import { answerHere } from './answers';
import { dayWord } from '../shelf/when';
import { ingredientText } from '../words/ingredient-text';
import { own } from '../words/own-units';
import type { LastDeed } from '../words/deed-words';
import { partText } from '../words/event-words';

/** One line of what will be written, or of an answer: of whom, what, and what to heed. */
export type Line = { who: string; what: string; note: string; href?: string; wine?: Batch | undefined };

export type Preview = {
  lines: Line[];
  /** what is written with one deed; jars that come new with it */
  written: Written[];
  /** what is no event: weighed in, planned, gone to, undone */
  others: Command[];
};

/** What each command will do, said as the history will say it. @throws InputError for what cannot be */
export function previewOf(
  commands: readonly Command[],
  wines: readonly Batch[],
  home: Home,
  ctx: Context,
  last: LastDeed | null
): Preview {
  const out: Preview = { lines: [], written: [], others: [] };
  const ofWines = commands.filter(isOfWine);
  const written = deedsOf(ofWines, home);
  for (const c of commands) {
    if (isOfWine(c)) {
      const wine = wines.find((w) => w.id === c.batchId);
      const w = written[ofWines.indexOf(c)]!;
      out.written.push(w);
      for (const d of w.deed) out.lines.push({ ...lineOf(d, w, wine, ctx.now), who: whoOf(c.batchId, ctx) });
    } else if (c.kind === 'question') {
      const told = answerHere(c, wines, ctx);
      if (told)
        out.lines.push({
          who: told.about,
          what: told.text,
          note: '',
          href: told.href,
          wine: wines.find((w) => w.state.name === told.about)
        });
    } else {
      out.others.push(c);
      out.lines.push(otherLine(c, wines, ctx.now, last));
    }
  }
  return out;
}

/** The wine's name, with its number where another bears the same. */
const whoOf = (id: string | undefined, ctx: Context): string =>
  ctx.wines.find((w) => w.id === id)?.name ?? '';

/** An event that is to be written, in the words of the history. */
function lineOf(d: Draft, w: Written, wine: Batch | undefined, now: number): Line {
  const zone = wine?.state.zone ?? 'UTC';
  const event = { ...d, id: 'new', v: 1, zone, at: '', recordedAt: '', device: '' } as unknown as LedgerEvent;
  const fresh = (id: string | undefined) => w.newVessels.find((v) => v.id === id);
  const said = defOf(event).says(event, wine?.state ?? { id: d.batchId, readings: [], steeps: [] });
  const text = (parts: typeof said.what) =>
    parts
      .map((p) => {
        const vessel = typeof p === 'object' && 'vesselId' in p ? fresh(p.vesselId) : undefined;
        return vessel
          ? `a new ${vessel.name}`
          : partText(p, household.settings, (ms) => dayWord(ms, now, zone));
      })
      .join('');
  const [what, detail] = [text(said.what), text(said.detail)];
  // Of a wine in several vessels it is told which one, where the words do not.
  const from = wine && wine.state.fills.length > 1 ? defOf(event).source?.(event.data as never) : undefined;
  const where = (from && vesselById(from)?.name) ?? '';
  return {
    who: '',
    wine,
    what: [what, detail, detail.includes(where) ? '' : where].filter(Boolean).join(' · '),
    note: [
      ...(d.at === undefined ? [] : [dayWord(d.at, now, zone)]),
      ...w.cautions.map((x) => own(x.text))
    ].join(' · ')
  };
}

function otherLine(
  c: Extract<Command, { kind: 'weigh-in' | 'plan' | 'go' | 'undo' | 'set' | 'away' }>,
  wines: readonly Batch[],
  now: number,
  last: LastDeed | null
): Line {
  const s = household.settings;
  const list = (items: CommandOf<'plan'>['items']) =>
    items
      .map((i) =>
        ('volumeL' in i ? i.volumeL : i.massKg) > 0 ? ingredientText(i, s) : nameOf(i).toLowerCase()
      )
      .join(', ');
  switch (c.kind) {
    case 'weigh-in':
      return {
        who: 'Harvest',
        what: c.isMove
          ? `Into the freezer · ${list(c.lots)}`
          : `Weighed in · ${list(c.lots)}${c.form === 'frozen' ? ', into the freezer' : ''}`,
        note: [c.at && dayWord(Date.parse(c.at), now, 'UTC'), c.note].filter(Boolean).join(' · ')
      };
    case 'plan':
      return {
        who: 'Plan',
        what: `${list(c.items)}${c.volumeL ? `, for ${volumeText(c.volumeL, s.volume)}` : ''}${c.abv ? `, ${abvText(c.abv)} %` : ''}`,
        note: 'opens the plan; nothing is begun yet'
      };
    case 'go':
      return {
        who: 'Open',
        what: wines.find((w) => w.id === c.batchId)?.state.name ?? c.page ?? '',
        note: ''
      };
    case 'away':
      return {
        who: 'Away',
        what: c.from ? `${c.from} to ${c.to}` : 'when?',
        note: 'shows what waits and what cannot'
      };
    case 'set':
      return { who: `My ${c.name}`, what: c.line, note: 'kept for every wine: say its name' };
    case 'undo':
      return last
        ? {
            who: 'Take back',
            what: [last.who, last.what].filter(Boolean).join(': '),
            note: `written ${last.when}`
          }
        : { who: 'Take back', what: 'nothing: this device has written nothing that still counts', note: '' };
  }
}
