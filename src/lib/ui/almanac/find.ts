import { RULES } from '$core/cautions/rules';
import { optionsOf, SCHOOL_IDS, SCHOOLS, type SchoolId } from '$core/tables/schools';
import { SWEETENERS } from '$core/tables/sweeteners';
import { YEASTS } from '$core/tables/yeasts';
import { PRESSES } from '$core/plan/extraction';
import { CUTS, FORM_NOTES, HEATS } from '$core/plan/handling';
import type { Produce } from '$core/tables/produce';
import { SOURCES } from '$core/tables/sources';
import { DOSES } from '$core/tables/doses';
import { TROUBLES, type TroubleId } from '$core/steps/trouble/all';
import { TROUBLE_WORDS } from '$core/steps/trouble/words';
import { WORDS } from './glossary';
import { SUMS } from '$lib/ui/bench/sums';

/** The chapters after the produce, in their order. */
export const CHAPTERS = {
  words: 'Words',
  sugars: 'Sugars',
  doses: 'Doses',
  methods: 'Methods',
  faults: 'Faults',
  cautions: 'Cautions',
  sources: 'Sources'
} as const;
export type ChapterId = keyof typeof CHAPTERS;

export type Entry = { title: string; chapter: string; href: string; text: string };

/** The schools, each a table of choices with its reason. */
export const METHODS: {
  title: string;
  id: string;
  choices: Record<string, { name: string; note: string }>;
}[] = [
  ...SCHOOL_IDS.map((id) => ({ title: SCHOOLS[id].title, id, choices: notes(id) })),
  { title: 'Form of the fruit', id: 'form', choices: FORM_NOTES },
  { title: 'Cut', id: 'cut', choices: CUTS },
  { title: 'Heat', id: 'heat', choices: HEATS },
  { title: 'Pressing without water', id: 'pressing', choices: PRESSES },
  { title: 'Yeasts', id: 'yeasts', choices: YEASTS }
];

function notes(school: SchoolId) {
  return Object.fromEntries(optionsOf(school).map(([id, o]) => [id, { name: o.name, note: o.why }]));
}

/** All that can be looked up. */
export function allEntries(produce: readonly Produce[]): Entry[] {
  return [
    ...produce.map((p) => ({
      title: p.name,
      chapter: p.family === 'dried' ? 'dried fruit' : p.family,
      href: `/almanac/produce/${p.id}`,
      text: `${p.plural} ${p.latin}`
    })),
    ...Object.entries(WORDS).map(([id, w]) => ({
      title: w.name,
      chapter: 'words',
      href: `/almanac/words#${id}`,
      text: `${w.also} ${w.says}`
    })),
    ...SUMS.map((s) => ({
      title: s.title,
      chapter: 'bench',
      href: `/bench/${s.id}`,
      text: `${s.ask} ${s.words}`
    })),
    ...Object.entries(SWEETENERS).map(([id, s]) => ({
      title: s.name,
      chapter: 'sugars',
      href: `/almanac/sugars#${id}`,
      text: `${s.words} ${s.note}`
    })),
    ...Object.entries(DOSES).map(([id, d]) => ({
      title: d.name,
      chapter: 'doses',
      href: `/almanac/doses#${id}`,
      text: d.why
    })),
    ...METHODS.map((m) => ({
      title: m.title,
      chapter: 'methods',
      href: `/almanac/methods#${m.id}`,
      text: Object.values(m.choices)
        .map((c) => c.name)
        .join(' ')
    })),
    ...Object.entries(TROUBLES).map(([id, t]) => ({
      title: t.name.charAt(0).toUpperCase() + t.name.slice(1),
      chapter: 'faults',
      href: `/almanac/faults#${id}`,
      text: `${TROUBLE_WORDS[id as TroubleId].signs} ${t.rungs.map((r) => r.title).join(' ')}`
    })),
    ...Object.entries(RULES).map(([id, r]) => ({
      title: r.title,
      chapter: 'cautions',
      href: `/almanac/cautions#${id}`,
      text: r.text
    })),
    ...Object.entries(SOURCES).map(([id, s]) => ({
      title: s,
      chapter: 'sources',
      href: `/almanac/sources#${id}`,
      text: ''
    }))
  ];
}

/** Small words that say nothing of what is sought. */
const FILLER = new Set([
  'how',
  'is',
  'the',
  'a',
  'of',
  'do',
  'i',
  'my',
  'it',
  'in',
  'to',
  'and',
  'what',
  'for',
  'too',
  'wine'
]);

/**
 * Entries that hold the words of `text`, those with more of them and in their title first.
 * Every word counts but small ones, so that a whole question finds its answer.
 */
export function findEntries(text: string, entries: readonly Entry[], most = 12): Entry[] {
  const words = text
    .toLowerCase()
    .split(/[^a-zà-ÿ]+/)
    .filter((w) => w.length > 1 && !FILLER.has(w))
    .map((w) => w.replace(/(ies|es|s)$/, ''));
  if (words.length === 0) return [];
  return entries
    .map((e, i) => {
      const title = e.title.toLowerCase();
      const body = e.text.toLowerCase();
      const score = words.reduce(
        (sum, w) =>
          sum +
          (title.startsWith(w)
            ? 5
            : title.includes(w)
              ? 3
              : body.startsWith(w)
                ? 2
                : body.includes(w)
                  ? 1
                  : 0),
        0
      );
      return { e, score, i };
    })
    .filter((x) => x.score > 0)
    .sort((a, b) => b.score - a.score || a.i - b.i)
    .slice(0, most)
    .map((x) => x.e);
}
