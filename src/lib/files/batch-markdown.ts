/** What a page tells of a wine, for its text: words are the household's own. */
export type BatchText = {
  name: string;
  says: string;
  figures: [name: string, figure: string][];
  ingredients: string[];
  happened: { day: string; what: string; detail: string }[];
  nextTime: string[];
  contains: string[];
};

/** Text that Markdown leaves as it is, on one line. */
export const plainMarkdown = (text: string): string =>
  text.replace(/([\\`*_{}[\]<>#|])/g, '\\$1').replace(/\s*\n+\s*/g, ' ');

/** A wine as a Markdown file: what it is, what went in, everything that happened, and what it taught. */
export function batchMarkdown(t: BatchText): string {
  const p = plainMarkdown;
  return [
    `# ${p(t.name)}`,
    p(t.says),
    t.figures.map(([k, v]) => `- ${p(k)}: ${p(v)}`).join('\n'),
    ...(t.contains.length > 0 ? [`Contains ${p(t.contains.join(', '))}.`] : []),
    '## What was planned',
    t.ingredients.map((i) => `- ${p(i)}`).join('\n'),
    '## What happened',
    '| Day | What | |\n| --- | --- | --- |\n' +
      t.happened.map((h) => `| ${p(h.day)} | ${p(h.what)} | ${p(h.detail)} |`).join('\n'),
    ...(t.nextTime.length > 0 ? ['## Next time', t.nextTime.map((n) => `- ${p(n)}`).join('\n')] : []),
    'Figures are estimates. Home-made wine is for adults, within local law.'
  ]
    .join('\n\n')
    .concat('\n');
}
